#include "stations/joints/rule_box.h"
#include "style/language.h"

#include "core/job/card_edits.h"
#include "style/theme.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QSignalBlocker>
#include <QTableWidget>
#include <QVBoxLayout>
#include <algorithm>

namespace wembrix::app {

RuleBox::RuleBox(Document& document, Session& session, QWidget* parent)
    : QWidget(parent), document_(document), session_(session) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(4);
    table_ = new QTableWidget(0, 3, this);
    table_->setObjectName(QStringLiteral("rulePreview"));
    table_->setHorizontalHeaderLabels({tr("Name now"), tr("By this rule"), tr("Clash")});
    table_->verticalHeader()->hide();
    table_->verticalHeader()->setDefaultSectionSize(20);
    table_->setEditTriggers(QAbstractItemView::NoEditTriggers);
    table_->setSelectionMode(QAbstractItemView::NoSelection);
    table_->setShowGrid(false);
    table_->horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
    table_->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    table_->setFixedHeight(150);
    table_->hide();
    column->addWidget(table_);
    auto* row = new QHBoxLayout;
    row->setSpacing(6);
    kind_ = new QComboBox(this);
    kind_->setObjectName(QStringLiteral("ruleKind"));
    kind_->addItems({tr("Rename"), tr("Side tokens"), tr("Case")});
    kind_->setToolTip(tr("By what is found in a name; by the token for left and right; or by case"));
    row->addWidget(kind_);
    find_ = new QLineEdit(this);
    find_->setObjectName(QStringLiteral("ruleFind"));
    find_->setAccessibleName(tr("Find in names"));
    row->addWidget(find_, 3);
    arrow_ = new QLabel(QStringLiteral("→"), this);
    row->addWidget(arrow_);
    replace_ = new QLineEdit(this);
    replace_->setObjectName(QStringLiteral("ruleReplace"));
    replace_->setAccessibleName(tr("Replace by"));
    row->addWidget(replace_, 2);
    detail_ = new QComboBox(this);
    detail_->setObjectName(QStringLiteral("ruleDetail"));
    row->addWidget(detail_, 2);
    use_ = new QPushButton(tr("Apply rule"), this);
    use_->setObjectName(QStringLiteral("useRule"));
    use_->setToolTip(tr("Adds the rule to the route card, so that it renames the next version too"));
    row->addWidget(use_);
    column->addLayout(row);
    outcome_ = new QLabel(this);
    outcome_->setObjectName(QStringLiteral("ruleOutcome"));
    outcome_->setStyleSheet(QStringLiteral("font-size: 11px;"));
    column->addWidget(outcome_);
    connect(kind_, &QComboBox::currentIndexChanged, this, &RuleBox::show_kind);
    connect(detail_, &QComboBox::currentIndexChanged, this, &RuleBox::refresh);
    connect(find_, &QLineEdit::textChanged, this, &RuleBox::refresh);
    connect(replace_, &QLineEdit::textChanged, this, &RuleBox::refresh);
    connect(find_, &QLineEdit::returnPressed, this, &RuleBox::use);
    connect(replace_, &QLineEdit::returnPressed, this, &RuleBox::use);
    connect(use_, &QPushButton::clicked, this, &RuleBox::use);
    connect(&session_, &Session::changed, this, &RuleBox::refresh);
    show_kind();
}

void RuleBox::show_kind() {
    const int kind = kind_->currentIndex();
    {
        const QSignalBlocker quiet_find(find_);
        const QSignalBlocker quiet_replace(replace_);
        const QSignalBlocker quiet_detail(detail_);
        find_->clear();
        replace_->clear();
        detail_->clear();
        if (kind == 1) {
            detail_->addItem(tr("at the end"), QStringLiteral("end"));
            detail_->addItem(tr("at the start"), QStringLiteral("start"));
            detail_->addItem(tr("where it is"), QStringLiteral("there"));
        } else if (kind == 2) {
            detail_->addItem(tr("choose…"), QString());
            detail_->addItem(tr("lower"), QStringLiteral("lower"));
            detail_->addItem(tr("upper"), QStringLiteral("upper"));
            detail_->addItem(tr("each word capitalised"), QStringLiteral("first"));
        }
    }
    find_->setPlaceholderText(kind == 0   ? tr("find, e.g. ^Left(.*)$")
                              : kind == 1 ? tr("left, e.g. _l")
                                          : tr("only names with… (or all)"));
    find_->setToolTip(kind == 1 ? tr("What left is to be called, with its separator")
                                : tr("A regular expression. What it finds in a name is replaced; (…) are groups."));
    replace_->setPlaceholderText(kind == 1 ? tr("right, e.g. _r") : tr("replace, e.g. $1_##"));
    replace_->setToolTip(kind == 1 ? tr("What right is to be called, with its separator")
                                   : tr("$1 stands for what the first group found; ## for a number of two digits, "
                                        "counted in the order of the joints"));
    arrow_->setVisible(kind == 0);
    replace_->setVisible(kind != 2);
    detail_->setVisible(kind != 0);
    refresh();
}

nlohmann::json RuleBox::rule() const {
    const std::string find = find_->text().toStdString();
    const std::string replace = replace_->text().toStdString();
    const std::string detail = detail_->currentData().toString().toStdString();
    switch (kind_->currentIndex()) {
    case 0:
        return find.empty() ? nlohmann::json() : nlohmann::json{{"find", find}, {"replace", replace}};
    case 1:
        return find.empty() || replace.empty() ? nlohmann::json()
                                               : nlohmann::json{{"left", find}, {"right", replace}, {"at", detail}};
    default:
        break;
    }
    nlohmann::json letters = {{"case", detail}};
    if (!find.empty()) {
        letters["find"] = find;
    }
    return detail.empty() ? nlohmann::json() : letters;
}

void RuleBox::refresh() {
    rows_.clear();
    const std::shared_ptr<const SessionState> state = session_.state();
    const auto show_outcome = [this](const QString& words, const QColor& colour, bool usable) {
        outcome_->setText(words);
        outcome_->setStyleSheet(QStringLiteral("font-size: 11px; color: %1;").arg(colour.name()));
        use_->setEnabled(usable);
    };
    const auto finish = [this] {
        table_->setVisible(!rows_.empty());
        Q_EMIT previewChanged();
    };
    const nlohmann::json typed = rule();
    if (!state || typed.is_null()) {
        show_outcome(tr("Every name is previewed here before the rule is used."), theme().soft, false);
        finish();
        return;
    }
    const nlohmann::json json = {{"rules", nlohmann::json::array({typed})}};
    const Result<RenameRules> rules = RenameRules::from_json(json);
    if (!rules) {
        show_outcome(localized(rules.problem().what), theme().stop, false);
        finish();
        return;
    }
    const Scene& prepared = state->replay.prepared();
    std::vector<std::string> joints;
    std::vector<std::string> others;
    for (const Node& node : prepared.nodes) {
        (node.kind == NodeKind::joint ? joints : others).push_back(node.name);
    }
    rows_ = preview_rename(joints, others, *rules);
    std::erase_if(rows_, [](const RenameRow& row) { return !row.changed() && row.clash.empty(); });
    const auto clashes =
        std::count_if(rows_.begin(), rows_.end(), [](const RenameRow& row) { return !row.clash.empty(); });
    const auto changed = std::count_if(rows_.begin(), rows_.end(), [](const RenameRow& row) { return row.changed(); });
    // Clashes first: they are what has to be looked at.
    std::stable_partition(rows_.begin(), rows_.end(), [](const RenameRow& row) { return !row.clash.empty(); });
    table_->setRowCount(static_cast<int>(rows_.size()));
    for (size_t i = 0; i < rows_.size(); ++i) {
        const auto put = [&](int at, const std::string& text, const QColor& colour) {
            auto* item = new QTableWidgetItem(QString::fromStdString(text));
            item->setForeground(colour);
            item->setToolTip(item->text());
            table_->setItem(static_cast<int>(i), at, item);
        };
        const bool clash = !rows_[i].clash.empty();
        put(0, rows_[i].before, theme().soft);
        put(1, rows_[i].after, clash ? theme().stop : theme().accent);
        put(2, rows_[i].clash, theme().stop);
    }
    if (clashes > 0) {
        show_outcome(tr("%1 names clash; change the rule so that all names differ.").arg(clashes), theme().stop, false);
    } else if (changed == 0) {
        show_outcome(tr("No joint's name fits."), theme().soft, false);
    } else {
        show_outcome(tr("%1 of %2 names change, none clashes.").arg(changed).arg(joints.size()), theme().accent, true);
    }
    finish();
}

void RuleBox::use() {
    if (!use_->isEnabled()) {
        return;
    }
    const nlohmann::json used = rule();
    const QString what = kind_->currentIndex() == 0   ? tr("Rename by %1").arg(find_->text())
                         : kind_->currentIndex() == 1 ? tr("Side tokens %1, %2").arg(find_->text(), replace_->text())
                                                      : tr("Case: %1").arg(detail_->currentText());
    document_.edit(what, [&](Job& job) { add_rename_rule(job, used); });
    detail_->setCurrentIndex(0);
    find_->clear();
    replace_->clear();
}

} // namespace wembrix::app
