#include "shell/palette.h"
#include "style/language.h"
#include "style/numbers.h"

#include "shell/main_window.h"
#include "style/theme.h"

#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QMenuBar>
#include <QPainter>
#include <QStyledItemDelegate>
#include <QTimer>
#include <QVBoxLayout>
#include <algorithm>

namespace wembrix::app {

namespace {

constexpr int entry_role = Qt::UserRole;
constexpr int kind_role = Qt::UserRole + 1;
constexpr int detail_role = Qt::UserRole + 2;
constexpr int most_shown = 60;

/// Without the marks of keys and the dots that announce a dialog.
QString plain(QString text) {
    text.replace(QStringLiteral("&&"), QStringLiteral("\x01"));
    text.remove(QLatin1Char('&'));
    text.replace(QLatin1Char('\x01'), QLatin1Char('&'));
    return text;
}

void add_commands(const QMenu* menu, const QString& path, std::vector<PaletteEntry>& entries) {
    for (QAction* action : menu->actions()) {
        if (action->isSeparator()) {
            continue;
        }
        const QString words = path + QStringLiteral(" › ") + plain(action->text());
        if (const QMenu* below = action->menu()) {
            add_commands(below, words, entries);
        } else if (action->isEnabled()) {
            entries.push_back({PaletteEntry::Kind::command, words,
                               action->shortcut().toString(QKeySequence::NativeText),
                               [action = QPointer<QAction>(action)] {
                                   if (action != nullptr) {
                                       action->trigger();
                                   }
                               }});
        }
    }
}

/// One row: what kind it is, what it says, and at the end its shortcut or what it is of.
class EntryDelegate : public QStyledItemDelegate {
  public:
    using QStyledItemDelegate::QStyledItemDelegate;
    QSize sizeHint(const QStyleOptionViewItem& option, const QModelIndex&) const override {
        return {200, option.fontMetrics.height() + 12};
    }
    void paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const Theme& look = theme();
        const bool is_chosen = option.state.testFlag(QStyle::State_Selected);
        if (is_chosen) {
            painter->fillRect(option.rect, look.prepared);
        }
        const QRect inner = option.rect.adjusted(12, 0, -12, 0);
        const int kinds = option.fontMetrics.horizontalAdvance(QStringLiteral("Command ")) + 14;
        painter->setPen(is_chosen ? look.on_accent : look.soft);
        painter->drawText(inner.adjusted(0, 0, kinds - inner.width(), 0), Qt::AlignVCenter,
                          index.data(kind_role).toString());
        const QString detail = index.data(detail_role).toString();
        const int at_end =
            detail.isEmpty() ? 0 : std::min(option.fontMetrics.horizontalAdvance(detail) + 18, inner.width() / 2);
        painter->drawText(inner, Qt::AlignVCenter | Qt::AlignRight,
                          option.fontMetrics.elidedText(detail, Qt::ElideRight, at_end));
        painter->setPen(is_chosen ? look.on_accent : look.ink);
        const QRect words = inner.adjusted(kinds, 0, -at_end, 0);
        painter->drawText(
            words, Qt::AlignVCenter,
            option.fontMetrics.elidedText(index.data(entry_role + 3).toString(), Qt::ElideMiddle, words.width()));
    }
};

} // namespace

QString kind_words(PaletteEntry::Kind kind) {
    switch (kind) {
    case PaletteEntry::Kind::command:
        return QObject::tr("Command");
    case PaletteEntry::Kind::station:
        return QObject::tr("Station");
    case PaletteEntry::Kind::finding:
        return QObject::tr("Finding");
    case PaletteEntry::Kind::clip:
        return QObject::tr("Clip");
    case PaletteEntry::Kind::joint:
        return QObject::tr("Joint");
    case PaletteEntry::Kind::page:
        return QObject::tr("Guide");
    }
    return {};
}

std::vector<PaletteEntry> palette_entries(MainWindow& window) {
    std::vector<PaletteEntry> entries;
    for (size_t i = 0; i < window.pages().size(); ++i) {
        const StationKind& kind = window.pages()[i]->kind();
        entries.push_back({PaletteEntry::Kind::station, kind.name, kind.keys().toString(QKeySequence::NativeText),
                           [&window, i] { window.choose_station(static_cast<int>(i)); }});
    }
    for (QAction* action : window.menuBar()->actions()) {
        if (action->menu() != nullptr) {
            add_commands(action->menu(), plain(action->text()), entries);
        }
    }
    const std::shared_ptr<const SessionState> state = window.session().state();
    if (state == nullptr) {
        return entries;
    }
    for (const std::vector<Finding>* list : {&state->findings, &state->received_findings}) {
        for (const Finding& finding : *list) {
            entries.push_back({PaletteEntry::Kind::finding, localized(finding.message),
                               QString::fromStdString(finding.where), [&window, finding] { window.go_to(finding); }});
        }
    }
    const Scene& prepared = state->replay.prepared();
    for (const Clip& clip : prepared.clips) {
        const QString name = QString::fromStdString(clip.name);
        entries.push_back(
            {PaletteEntry::Kind::clip, name, counted(static_cast<qulonglong>(clip.frames()), "frame"),
             [&window, name, frames = clip.frames(), rate = clip.rate, part = ClipPart{clip.take, clip.start_s}] {
                 window.clock().choose(name, frames, rate, part);
                 window.choose_station("takes");
             }});
    }
    for (const Node& node : prepared.nodes) {
        if (node.kind == NodeKind::joint) {
            entries.push_back({PaletteEntry::Kind::joint, QString::fromStdString(node.name),
                               node.parent < 0
                                   ? QString()
                                   : QString::fromStdString(prepared.nodes[static_cast<size_t>(node.parent)].name),
                               [&window, identity = node.identity] {
                                   window.choose_station("joints");
                                   window.selection().choose(identity);
                               }});
        }
    }
    return entries;
}

std::vector<size_t> found_in(const std::vector<PaletteEntry>& entries, const QString& text) {
    const QStringList words = text.split(QLatin1Char(' '), Qt::SkipEmptyParts);
    std::vector<std::pair<int, size_t>> found;
    for (size_t e = 0; e < entries.size(); ++e) {
        const QString& in = entries[e].words;
        const QString last = in.section(QStringLiteral(" › "), -1);
        if (!std::all_of(words.begin(), words.end(),
                         [&](const QString& word) { return in.contains(word, Qt::CaseInsensitive); })) {
            continue;
        }
        const int rank = text.isEmpty()                                                ? 0
                         : last.startsWith(text, Qt::CaseInsensitive)                  ? 0
                         : last.contains(QLatin1Char(' ') + text, Qt::CaseInsensitive) ? 1
                         : last.contains(text, Qt::CaseInsensitive)                    ? 2
                                                                                       : 3;
        found.emplace_back(rank, e);
    }
    std::stable_sort(found.begin(), found.end(), [](const auto& a, const auto& b) { return a.first < b.first; });
    std::vector<size_t> places;
    places.reserve(found.size());
    for (const auto& [rank, entry] : found) {
        places.push_back(entry);
    }
    return places;
}

Palette::Palette(MainWindow& window) : QDialog(&window), entries_(palette_entries(window)) {
    setObjectName(QStringLiteral("palette"));
    setWindowTitle(tr("Go to or do"));
    setWindowFlag(Qt::FramelessWindowHint);
    setAttribute(Qt::WA_DeleteOnClose);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(10, 10, 10, 10);
    field_ = new QLineEdit(this);
    field_->setObjectName(QStringLiteral("paletteField"));
    field_->setPlaceholderText(tr("Go to a station, joint, clip or finding, or do something"));
    field_->setAccessibleName(tr("Go to or do"));
    field_->installEventFilter(this);
    column->addWidget(field_);
    list_ = new QListWidget(this);
    list_->setObjectName(QStringLiteral("paletteList"));
    list_->setAccessibleName(tr("What was found"));
    list_->setItemDelegate(new EntryDelegate(list_));
    list_->setFocusPolicy(Qt::NoFocus);
    list_->setUniformItemSizes(true);
    column->addWidget(list_, 1);
    auto* keys = new QLabel(tr("↑ ↓ choose · Return does it · Escape leaves"), this);
    keys->setEnabled(false);
    column->addWidget(keys);
    connect(field_, &QLineEdit::textChanged, this, &Palette::fill);
    connect(list_, &QListWidget::itemClicked, this, [this] { run_current(); });
    fill();
    resize(std::min(640, window.width() - 80), std::min(420, window.height() - 120));
    move(window.mapToGlobal(QPoint((window.width() - width()) / 2, 90)));
}

void Palette::fill() {
    list_->clear();
    const std::vector<size_t> found = found_in(entries_, field_->text().trimmed());
    for (size_t i = 0; i < std::min<size_t>(found.size(), most_shown); ++i) {
        const PaletteEntry& entry = entries_[found[i]];
        // What a screen reader says is the text; what is painted are its parts.
        auto* item = new QListWidgetItem(
            QStringLiteral("%1: %2 %3").arg(kind_words(entry.kind), entry.words, entry.detail).trimmed(), list_);
        item->setData(entry_role, static_cast<qulonglong>(found[i]));
        item->setData(kind_role, kind_words(entry.kind));
        item->setData(detail_role, entry.detail);
        item->setData(entry_role + 3, entry.words);
        item->setToolTip(entry.words);
    }
    list_->setCurrentRow(0);
}

bool Palette::eventFilter(QObject* watched, QEvent* event) {
    if (event->type() == QEvent::KeyPress) {
        const auto* key = static_cast<QKeyEvent*>(event);
        const int rows = list_->count();
        const auto go = [&](int row) { list_->setCurrentRow(std::clamp(row, 0, std::max(0, rows - 1))); };
        switch (key->key()) {
        case Qt::Key_Down:
            go(list_->currentRow() + 1);
            return true;
        case Qt::Key_Up:
            go(list_->currentRow() - 1);
            return true;
        case Qt::Key_PageDown:
            go(list_->currentRow() + 8);
            return true;
        case Qt::Key_PageUp:
            go(list_->currentRow() - 8);
            return true;
        case Qt::Key_Return:
        case Qt::Key_Enter:
            run_current();
            return true;
        default:
            break;
        }
    }
    return QDialog::eventFilter(watched, event);
}

void Palette::run_current() {
    const QListWidgetItem* item = list_->currentItem();
    if (item == nullptr) {
        return;
    }
    // Once this is gone: what it does may open a dialog of its own.
    const std::function<void()> run = entries_[item->data(entry_role).toULongLong()].run;
    QTimer::singleShot(0, parent(), run);
    close();
}

} // namespace wembrix::app
