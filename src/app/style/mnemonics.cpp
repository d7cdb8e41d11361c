#include "style/mnemonics.h"

#include <QAbstractButton>
#include <QKeySequence>
#include <QLabel>
#include <QSet>

namespace wembrix::app {

namespace {

/// Where the letter stands that a text has for Alt; -1: none is free.
qsizetype free_letter(const QString& text, const QSet<QChar>& taken) {
    for (const bool anywhere : {false, true}) {
        for (qsizetype i = 0; i < text.size(); ++i) {
            const bool starts_word = i == 0 || text[i - 1].isSpace();
            const char16_t letter = text[i].toLower().unicode();
            if ((anywhere || starts_word) && letter >= u'a' && letter <= u'z' && !taken.contains(text[i].toLower())) {
                return i;
            }
        }
    }
    return -1;
}

QChar letter_of(const QString& text) {
    const QKeySequence keys = QKeySequence::mnemonic(text);
    return keys.isEmpty() ? QChar() : QChar(keys[0].key()).toLower();
}

template <typename Widget> void give(Widget& widget, QSet<QChar>& taken) {
    const QString text = widget.text();
    const qsizetype at = free_letter(text, taken);
    if (at >= 0 && !text.contains(QLatin1Char('&'))) {
        taken.insert(text[at].toLower());
        widget.setText(QString(text).insert(at, QLatin1Char('&')));
    }
}

} // namespace

void give_mnemonics(QWidget& window) {
    QSet<QChar> taken;
    const QList<QLabel*> labels = window.findChildren<QLabel*>();
    const QList<QAbstractButton*> buttons = window.findChildren<QAbstractButton*>();
    for (const QLabel* label : labels) {
        taken.insert(label->buddy() != nullptr ? letter_of(label->text()) : QChar());
    }
    for (const QAbstractButton* button : buttons) {
        taken.insert(letter_of(button->text()));
    }
    for (QLabel* label : labels) {
        if (label->buddy() != nullptr) {
            give(*label, taken);
        }
    }
    for (QAbstractButton* button : buttons) {
        give(*button, taken);
    }
}

} // namespace wembrix::app
