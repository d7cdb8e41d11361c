#include "stations/deliver/board_bar.h"
#include "style/language.h"

#include "core/destination/file_kinds.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QLineEdit>
#include <QPushButton>
#include <algorithm>
#include <set>

namespace wembrix::app {

namespace {

QComboBox* choice(const char* name, const QString& why, QWidget* parent) {
    auto* box = new QComboBox(parent);
    box->setObjectName(QString::fromUtf8(name));
    box->setToolTip(why);
    box->setAccessibleName(why);
    box->setSizeAdjustPolicy(QComboBox::AdjustToContents);
    return box;
}

/// Fills the box anew and keeps what was chosen, where it is still there.
void fill(QComboBox& box, const std::vector<std::pair<QString, QString>>& items) {
    const QVariant chosen = box.currentData();
    box.clear();
    for (const auto& [label, value] : items) {
        box.addItem(label, value);
    }
    box.setCurrentIndex(std::max(0, box.findData(chosen)));
}

} // namespace

BoardBar::BoardBar(BoardModel& board, BoardRows& rows, QWidget* parent) : QWidget(parent), board_(board), rows_(rows) {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(12, 0, 12, 0);
    row->setSpacing(6);
    text_ = new QLineEdit(this);
    text_->setObjectName(QStringLiteral("boardText"));
    text_->setAccessibleName(tr("Find on the board"));
    text_->setPlaceholderText(tr("Find files"));
    text_->setToolTip(tr("Words of a file's name, or of what it is"));
    text_->setClearButtonEnabled(true);
    text_->setMinimumWidth(110);
    row->addWidget(text_, 1);
    state_ = choice("boardState", tr("Which states are shown"), this);
    for (const auto& [label, state] :
         {std::pair(tr("Any state"), BoardFilter::State::any), std::pair(tr("Due"), BoardFilter::State::due),
          std::pair(tr("Never"), BoardFilter::State::never), std::pair(tr("Stale"), BoardFilter::State::stale),
          std::pair(tr("Held"), BoardFilter::State::held), std::pair(tr("Arrived"), BoardFilter::State::arrived)}) {
        state_->addItem(label, static_cast<int>(state));
    }
    row->addWidget(state_);
    kind_ = choice("boardKind", tr("Which kinds of files are shown"), this);
    row->addWidget(kind_);
    destination_ = choice("boardDestination", tr("Which destinations are shown"), this);
    row->addWidget(destination_);
    group_ = choice("boardGroup", tr("How the rows are grouped"), this);
    for (const auto& [label, group] :
         {std::pair(tr("No groups"), BoardFilter::Group::none), std::pair(tr("By kind"), BoardFilter::Group::kind),
          std::pair(tr("By state"), BoardFilter::Group::state),
          std::pair(tr("By folder"), BoardFilter::Group::folder)}) {
        group_->addItem(label, static_cast<int>(group));
    }
    row->addWidget(group_);
    clear_ = new QPushButton(tr("Show all"), this);
    clear_->setObjectName(QStringLiteral("boardShowAll"));
    row->addWidget(clear_);
    offer();
    apply();
    connect(&board_, &QAbstractItemModel::modelReset, this, &BoardBar::offer);
    connect(text_, &QLineEdit::textChanged, this, &BoardBar::apply);
    for (QComboBox* box : {state_, kind_, destination_, group_}) {
        connect(box, &QComboBox::currentIndexChanged, this, &BoardBar::apply);
    }
    connect(clear_, &QPushButton::clicked, this, [this] {
        filling_ = true;
        text_->clear();
        for (QComboBox* box : {state_, kind_, destination_}) {
            box->setCurrentIndex(0);
        }
        filling_ = false;
        apply();
    });
}

void BoardBar::offer() {
    std::set<std::string> there;
    for (const BoardModel::Row& row : board_.table().rows) {
        for (const BoardEntry& at : row.cells) {
            if (at.planned) {
                there.insert(at.key.second.substr(0, at.key.second.find(':')));
            }
        }
    }
    std::vector<std::pair<QString, QString>> kinds = {{tr("Any kind"), QString()}};
    for (const FileKind& kind : file_kinds()) {
        if (there.count(std::string(kind.id)) > 0) {
            kinds.emplace_back(localized(kind.label),
                               QString::fromUtf8(kind.id.data(), static_cast<qsizetype>(kind.id.size())));
        }
    }
    std::vector<std::pair<QString, QString>> destinations = {{tr("All destinations"), QString()}};
    for (const Destination& one : board_.table().destinations) {
        destinations.emplace_back(QString::fromStdString(one.name), QString::fromStdString(one.name));
    }
    const bool changed = kind_->count() != static_cast<int>(kinds.size()) ||
                         destination_->count() != static_cast<int>(destinations.size());
    filling_ = true;
    fill(*kind_, kinds);
    fill(*destination_, destinations);
    filling_ = false;
    if (changed) {
        apply(); // what was chosen may be gone
    }
}

void BoardBar::apply() {
    if (filling_) {
        return;
    }
    BoardFilter filter;
    filter.text = text_->text();
    filter.state = static_cast<BoardFilter::State>(state_->currentData().toInt());
    filter.kind = kind_->currentData().toString().toStdString();
    filter.destination = destination_->currentData().toString().toStdString();
    filter.group = static_cast<BoardFilter::Group>(group_->currentData().toInt());
    clear_->setVisible(!filter.is_open());
    rows_.set_filter(filter);
}

} // namespace wembrix::app
