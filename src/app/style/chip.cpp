#include "style/chip.h"

namespace wembrix::app {

Chip::Chip(QWidget* parent) : QLabel(parent) {
    setSizePolicy(QSizePolicy::Fixed, QSizePolicy::Fixed);
    setAlignment(Qt::AlignCenter);
}

void Chip::show_word(const QString& word, const QColor& ink, const QColor& ground) {
    setText(word);
    setStyleSheet(
        QStringLiteral(
            "color: %1; background: %2; border-radius: 3px; padding: 2px 6px; font-size: 11px; font-weight: 600;")
            .arg(ink.name(), ground.name()));
    setVisible(!word.isEmpty());
}

} // namespace wembrix::app
