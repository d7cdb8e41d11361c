#include "shell/header.h"

#include "style/language.h"
#include "style/shortcuts.h"

#include <QComboBox>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <QSignalBlocker>

namespace wembrix::app {

Header::Header(QWidget* parent) : QWidget(parent) {
    setObjectName(QStringLiteral("header"));
    setAttribute(Qt::WA_StyledBackground);
    setFixedHeight(44);
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(14, 4, 12, 5);
    row->setSpacing(10);
    job_name_ = new QLabel(this);
    job_name_->setObjectName(QStringLiteral("jobName"));
    row->addWidget(job_name_);
    job_file_ = new QLabel(this);
    job_file_->setObjectName(QStringLiteral("soft"));
    row->addWidget(job_file_, 1);
    row->addWidget(new QLabel(tr("Destination"), this));
    destinations_ = new QComboBox(this);
    destinations_->setObjectName(QStringLiteral("destination"));
    destinations_->setMinimumWidth(330);
    destinations_->setToolTip(tr("Whose units and axes the panes speak in; the board shows all destinations"));
    row->addWidget(destinations_);
    connect(destinations_, &QComboBox::currentIndexChanged, this, &Header::destinationChanged);
    go_ = new QPushButton(this);
    go_->setObjectName(QStringLiteral("go"));
    go_->setToolTip(with_shortcut(tr("Writes every file that is not up to date, reads each back and checks it"),
                                  Shortcut::deliver_stale));
    row->addWidget(go_);
}

void Header::show_job(const Document& document) {
    const bool any = !document.is_empty();
    job_name_->setText(any ? QString::fromStdString(document.job().name) : tr("No job yet"));
    const QString file = document.path().isEmpty() ? tr("not saved yet") : QFileInfo(document.path()).fileName();
    job_file_->setText(!any ? QString()
                       : document.path().isEmpty()
                           ? file
                           : tr("%1 · %2").arg(file, document.is_saved() ? tr("saved") : tr("changed")));
    QStringList names;
    for (const Destination& destination : document.job().destinations) {
        names << QString::fromStdString(destination.name) + QStringLiteral(" · ") + localized(destination.summary());
    }
    QStringList shown;
    for (int i = 0; i < destinations_->count(); ++i) {
        shown << destinations_->itemText(i);
    }
    destinations_->setEnabled(!names.isEmpty());
    if (names != shown) {
        {
            const QSignalBlocker quiet(destinations_);
            destinations_->clear();
            destinations_->addItems(names);
        }
        Q_EMIT destinationChanged();
    }
}

void Header::show_due(int due, bool ready, bool delivering) {
    go_->setText(delivering ? tr("Delivering…") : due == 0 && ready ? tr("All arrived") : tr("Deliver %1").arg(due));
    go_->setEnabled(ready && due > 0);
}

int Header::destination() const {
    return destinations_->currentIndex();
}

} // namespace wembrix::app
