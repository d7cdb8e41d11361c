#include "shell/step_chooser.h"
#include "style/language.h"

#include "core/steps/step.h"
#include "core/steps/step_kind.h"
#include "style/theme.h"

#include <QDialogButtonBox>
#include <QHeaderView>
#include <QKeyEvent>
#include <QLineEdit>
#include <QPushButton>
#include <QStyle>
#include <QTreeWidget>
#include <QTreeWidgetItemIterator>
#include <QVBoxLayout>
#include <map>

namespace wembrix::app {

namespace {
QString text_of(std::string_view view) {
    return QString::fromUtf8(view.data(), static_cast<qsizetype>(view.size()));
}
constexpr int id_role = Qt::UserRole + 1;
const QString preset_mark = QStringLiteral("preset:");
} // namespace

StepChooser::StepChooser(QWidget* parent) : QDialog(parent) {
    setWindowTitle(tr("Add a step"));
    resize(820, 560);
    auto* column = new QVBoxLayout(this);
    search_ = new QLineEdit(this);
    search_->setObjectName(QStringLiteral("stepSearch"));
    search_->setPlaceholderText(tr("Find a step by its name or by what it is for"));
    search_->setClearButtonEnabled(true);
    search_->installEventFilter(this);
    column->addWidget(search_);
    list_ = new QTreeWidget(this);
    list_->setObjectName(QStringLiteral("stepList"));
    list_->setColumnCount(2);
    list_->setHeaderHidden(true);
    list_->setRootIsDecorated(false);
    list_->setIndentation(14);
    list_->setWordWrap(true);
    const auto add_group = [this](const QString& name) {
        auto* group = new QTreeWidgetItem(list_, {name});
        group->setFlags(Qt::ItemIsEnabled);
        group->setFirstColumnSpanned(true);
        QFont bold = font();
        bold.setWeight(QFont::DemiBold);
        group->setFont(0, bold);
        return group;
    };
    presets_ = step_presets();
    QTreeWidgetItem* kept = presets_.empty() ? nullptr : add_group(tr("Presets"));
    for (size_t p = 0; p < presets_.size(); ++p) {
        QStringList of;
        for (const Step& step : presets_[p].steps) {
            const StepKind* kind = step_kind(step.id);
            of << (kind == nullptr ? QString::fromStdString(step.id) : localized(kind->label));
        }
        auto* item = new QTreeWidgetItem(
            kept, {presets_[p].name,
                   (presets_[p].is_of_team ? tr("The team's: %1") : tr("%1")).arg(of.join(QStringLiteral(" › ")))});
        item->setData(0, id_role, preset_mark + QString::number(p));
        item->setForeground(1, theme().soft);
        item->setToolTip(1, item->text(1));
    }
    std::map<StepSubject, QTreeWidgetItem*> groups;
    for (const StepKind& kind : step_kinds()) {
        if (kind.is_by_hand()) {
            continue; // it begins at its station
        }
        QTreeWidgetItem*& group = groups[kind.subject];
        if (group == nullptr) {
            group = add_group(localized(subject_name(kind.subject)));
        }
        auto* item = new QTreeWidgetItem(group, {localized(kind.label), localized(kind.why)});
        item->setData(0, id_role, text_of(kind.id));
        item->setForeground(1, theme().soft);
        item->setToolTip(1, localized(kind.why));
    }
    list_->expandAll();
    list_->setColumnWidth(0, 210);
    list_->header()->setSectionResizeMode(1, QHeaderView::Stretch);
    column->addWidget(list_, 1);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Cancel, this);
    accept_ = buttons->addButton(tr("Next…"), QDialogButtonBox::AcceptRole);
    accept_->setObjectName(QStringLiteral("go"));
    accept_->style()->polish(accept_); // it was made before it had this name
    accept_->setToolTip(tr("Sets what the step needs before it goes onto the card"));
    accept_->setDefault(true);
    column->addWidget(buttons);
    connect(buttons, &QDialogButtonBox::accepted, this, &QDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    connect(search_, &QLineEdit::textChanged, this, &StepChooser::show_matches);
    connect(list_, &QTreeWidget::itemDoubleClicked, this, [this](const QTreeWidgetItem* item) {
        if (item->data(0, id_role).isValid()) {
            accept();
        }
    });
    connect(list_, &QTreeWidget::currentItemChanged, this, [this] { accept_->setEnabled(!chosen().empty()); });
    search_->setFocus();
    show_matches(QString());
}

std::string StepChooser::chosen() const {
    const QTreeWidgetItem* item = list_->currentItem();
    return item == nullptr || item->isHidden() ? std::string() : item->data(0, id_role).toString().toStdString();
}

std::optional<StepPreset> StepChooser::chosen_preset() const {
    const QString id = QString::fromStdString(chosen());
    return id.startsWith(preset_mark) ? std::optional(presets_.at(id.mid(preset_mark.size()).toULongLong()))
                                      : std::nullopt;
}

void StepChooser::show_matches(const QString& text) {
    QTreeWidgetItem* first = nullptr;
    for (int g = 0; g < list_->topLevelItemCount(); ++g) {
        QTreeWidgetItem* group = list_->topLevelItem(g);
        bool any = false;
        for (int i = 0; i < group->childCount(); ++i) {
            QTreeWidgetItem* item = group->child(i);
            bool fits = true;
            for (const QString& word : text.split(QLatin1Char(' '), Qt::SkipEmptyParts)) {
                fits = fits && (item->text(0).contains(word, Qt::CaseInsensitive) ||
                                item->text(1).contains(word, Qt::CaseInsensitive));
            }
            item->setHidden(!fits);
            any = any || fits;
            // A name that begins so comes before one that only has it somewhere.
            const bool better =
                fits && (first == nullptr || (!text.isEmpty() && item->text(0).startsWith(text, Qt::CaseInsensitive) &&
                                              !first->text(0).startsWith(text, Qt::CaseInsensitive)));
            first = better ? item : first;
        }
        group->setHidden(!any);
    }
    list_->setCurrentItem(first);
    accept_->setEnabled(first != nullptr);
}

void StepChooser::step_through(int by) {
    QTreeWidgetItem* item = list_->currentItem();
    while (item != nullptr) {
        item = by > 0 ? list_->itemBelow(item) : list_->itemAbove(item);
        if (item != nullptr && item->data(0, id_role).isValid()) {
            list_->setCurrentItem(item);
            return;
        }
    }
}

bool StepChooser::eventFilter(QObject* watched, QEvent* event) {
    // While one types, the arrows go through what was found.
    if (watched == search_ && event->type() == QEvent::KeyPress) {
        const int key = static_cast<QKeyEvent*>(event)->key();
        if (key == Qt::Key_Down || key == Qt::Key_Up) {
            step_through(key == Qt::Key_Down ? 1 : -1);
            return true;
        }
    }
    return QDialog::eventFilter(watched, event);
}

} // namespace wembrix::app
