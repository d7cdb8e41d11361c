#include "style/numbers.h"

namespace wembrix::app {

QString grouped(qulonglong number) {
    QString text = QString::number(number);
    for (qsizetype at = text.size() - 3; at > 0; at -= 3) {
        text.insert(at, QChar(0x2009));
    }
    return text;
}

QString counted(qulonglong number, const QString& one, const QString& many) {
    return grouped(number) + QLatin1Char(' ') + (number == 1 ? one : many);
}

} // namespace wembrix::app
