#include "style/name_box.h"

#include <QKeyEvent>

namespace wembrix::app {

NameBox::NameBox(const QString& object_name, QWidget* row_owner, QWidget* parent)
    : QLineEdit(parent), row_owner_(row_owner) {
    setObjectName(object_name);
    hide();
    connect(this, &QLineEdit::editingFinished, this, [this] {
        if (!isVisible()) {
            return;
        }
        hide();
        row_owner_->setFocus();
        const QString name = text().trimmed();
        if (!name.isEmpty() && name != before_) {
            Q_EMIT named(name);
        }
    });
}

void NameBox::open(const QRect& where, const QString& name) {
    before_ = name;
    setGeometry(where);
    setText(name);
    selectAll();
    show();
    setFocus();
}

void NameBox::leave() {
    setText(before_);
    hide();
}

void NameBox::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Escape) {
        leave();
        row_owner_->setFocus();
        return;
    }
    QLineEdit::keyPressEvent(event);
}

} // namespace wembrix::app
