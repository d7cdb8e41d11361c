#include "style/numbers.h"

#include "core/base/counted.h"
#include "style/language.h"

namespace wembrix::app {

QString grouped(qulonglong number) {
    QString text = QString::number(number);
    for (qsizetype at = text.size() - 3; at > 0; at -= 3) {
        text.insert(at, QChar(0x2009));
    }
    return text;
}

QString counted(qulonglong number, const char* noun) {
    // The dictionary writes the digits as they are.
    return localized(wembrix::counted(number, noun)).replace(QString::number(number), grouped(number));
}

} // namespace wembrix::app
