#include "shell/news_line.h"

#include "style/theme.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>

namespace wembrix::app {

NewsLine::NewsLine(QWidget* parent) : QWidget(parent) {
    setObjectName(QStringLiteral("news"));
    setAttribute(Qt::WA_StyledBackground);
    setStyleSheet(QStringLiteral("#news { background: %1; }").arg(theme().note_ground.name()));
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(14, 5, 12, 5);
    text_ = new QLabel(this);
    text_->setObjectName(QStringLiteral("newsText"));
    text_->setWordWrap(true);
    text_->setStyleSheet(QStringLiteral("color: %1;").arg(theme().note.name()));
    row->addWidget(text_, 1);
    auto* read = new QPushButton(tr("Dismiss"), this);
    read->setObjectName(QStringLiteral("newsRead"));
    read->setToolTip(tr("Dismisses this line"));
    connect(read, &QPushButton::clicked, this, &QWidget::hide);
    row->addWidget(read);
    hide();
}

void NewsLine::show_news(const QStringList& sentences) {
    text_->setText(sentences.join(QLatin1Char('\n')));
    setVisible(!sentences.isEmpty());
}

} // namespace wembrix::app
