#include "stations/intake/findings_list.h"
#include "style/language.h"

#include "core/job/card_edits.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"
#include "stations/intake/accept_dialog.h"
#include "stations/intake/finding_picture.h"
#include "style/chip.h"
#include "style/theme.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <QScrollArea>
#include <QScrollBar>
#include <QTimer>
#include <QVBoxLayout>
#include <algorithm>
#include <unordered_map>

namespace wembrix::app {

namespace {

QString step_label(const Step& step) {
    const StepKind* kind = step_kind(step.id);
    return localized(kind->label);
}

} // namespace

FindingsList::FindingsList(Document& document, Session& session, QWidget* parent)
    : QWidget(parent), document_(document), session_(session) {
    auto* outer = new QVBoxLayout(this);
    outer->setContentsMargins(10, 6, 4, 6);
    outer->setSpacing(6);
    title_ = new QLabel(tr("Findings"), this);
    title_->setObjectName(QStringLiteral("cardTitle"));
    outer->addWidget(title_);
    scroll_ = new QScrollArea(this);
    scroll_->setFocusPolicy(Qt::NoFocus); // the findings in it take the keys
    scroll_->setWidgetResizable(true);
    scroll_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    list_ = new QWidget(scroll_);
    list_->setObjectName(QStringLiteral("findings"));
    column_ = new QVBoxLayout(list_);
    column_->setContentsMargins(0, 0, 6, 0);
    column_->setSpacing(6);
    scroll_->setWidget(list_);
    outer->addWidget(scroll_, 1);
    connect(&session_, &Session::changed, this, &FindingsList::rebuild);
    rebuild();
}

QFrame* FindingsList::finding_card(const Finding& finding) {
    auto* card = new QFrame(list_);
    card->setObjectName(QStringLiteral("card"));
    auto* row = new QHBoxLayout(card);
    row->setContentsMargins(8, 7, 8, 7);
    row->setSpacing(8);
    auto* chip = new Chip(card);
    const QString grade = localized(grade_name(finding.grade));
    chip->show_word(grade, theme().of(finding.grade), theme().ground_of(finding.grade));
    auto* left = new QVBoxLayout;
    left->setSpacing(5);
    left->addWidget(chip, 0, Qt::AlignHCenter);
    if (has_finding_picture(finding.id)) {
        left->addWidget(new FindingPicture(finding, card));
    }
    left->addStretch(1);
    row->addLayout(left);
    auto* words = new QVBoxLayout;
    words->setSpacing(1);
    auto* message = new QLabel(localized(finding.message), card);
    message->setWordWrap(true);
    message->setStyleSheet(QStringLiteral("font-weight: 600;"));
    words->addWidget(message);
    auto* reason = new QLabel(localized(finding.reason), card);
    reason->setWordWrap(true);
    reason->setObjectName(QStringLiteral("soft"));
    reason->setStyleSheet(QStringLiteral("font-size: 11px;"));
    words->addWidget(reason);
    if (!finding.accepted.empty()) {
        auto* note = new QLabel(tr("Accepted: %1").arg(QString::fromStdString(finding.accepted)), card);
        note->setWordWrap(true);
        note->setStyleSheet(QStringLiteral("font-size: 11px; font-style: italic;"));
        words->addWidget(note);
    }
    auto* links = new QHBoxLayout;
    links->setSpacing(14);
    const auto link = [&](const QString& text, const QString& tip) {
        auto* button = new QPushButton(text, card);
        button->setObjectName(QStringLiteral("link"));
        button->setCursor(Qt::PointingHandCursor);
        button->setToolTip(tip);
        links->addWidget(button);
        return button;
    };
    if (finding.step) {
        auto* add = link(tr("Add “%1”").arg(step_label(*finding.step)), localized(step_kind(finding.step->id)->why));
        add->setProperty("step", QString::fromStdString(finding.step->id));
        connect(add, &QPushButton::clicked, card, [this, step = *finding.step] {
            document_.edit(tr("Add %1").arg(step_label(step)), [&](Job& job) { add_step_at_its_place(job, step); });
        });
    } else if (!finding.no_step.empty()) {
        auto* why = new QLabel(tr("No step: %1.").arg(localized(finding.no_step)), card);
        why->setWordWrap(true);
        why->setObjectName(QStringLiteral("soft"));
        why->setStyleSheet(QStringLiteral("font-size: 11px; font-style: italic;"));
        words->addWidget(why);
    }
    if (finding.grade == Grade::stop) {
        auto* accept = link(tr("Accept…"), tr("It goes out as it is, with a note of yours on the card"));
        accept->setProperty("accepts", QString::fromStdString(finding.id));
        connect(accept, &QPushButton::clicked, this, [this, finding] { ask_to_accept(finding); });
    }
    if (!finding.nodes.empty() || !finding.clip.empty()) {
        auto* show =
            link(tr("Show it"), finding.clip.empty() ? tr("Chooses what it is about, in the view and on the ladder")
                                                     : tr("Goes to the clip on the take strip"));
        show->setProperty("finding", QString::fromStdString(finding.id));
        connect(show, &QPushButton::clicked, this, [this, finding] { Q_EMIT placeAsked(finding); });
    }
    links->addStretch(1);
    words->addLayout(links);
    words->addStretch(1); // the picture beside may be taller
    row->addLayout(words, 1);
    return card;
}

void FindingsList::ask_to_accept(const Finding& finding) {
    AcceptDialog ask(finding, window());
    if (ask.exec() == QDialog::Accepted) {
        const Step step = accepting(finding, ask.note().toStdString());
        document_.edit(tr("Accept a stop"), [&](Job& job) { add_step_at_its_place(job, step); });
    }
}

QFrame* FindingsList::mended_card(const Finding& finding) {
    auto* card = new QFrame(list_);
    card->setObjectName(QStringLiteral("card"));
    card->setProperty("mended", QString::fromStdString(finding.id));
    auto* row = new QHBoxLayout(card);
    row->setContentsMargins(8, 7, 8, 7);
    auto* words = new QLabel(tr("✓ Mended: %1").arg(localized(finding.message)), card);
    words->setWordWrap(true);
    words->setStyleSheet(QStringLiteral("color: %1;").arg(theme().well.name()));
    row->addWidget(words, 1);
    return card;
}

/// What stood in the list before keeps its place, mended or not; what is new stands behind its own grade.
void FindingsList::merge(const std::vector<Finding>& now) {
    std::vector<char> placed(now.size(), 0);
    std::unordered_multimap<std::string, size_t> by_id;
    for (size_t i = now.size(); i-- > 0;) {
        by_id.emplace(now[i].id + '\n' + now[i].where, i);
    }
    for (Row& row : rows_) {
        const auto [first, last] = by_id.equal_range(row.finding.id + '\n' + row.finding.where);
        auto same = last;
        for (auto at = first; at != last; ++at) {
            if (placed[at->second] == 0 && (same == last || at->second < same->second)) {
                same = at;
            }
        }
        row.open = same != last;
        if (row.open) {
            row.finding = now[same->second];
            placed[same->second] = 1;
        }
    }
    for (size_t i = 0; i < now.size(); ++i) {
        if (placed[i] == 0) {
            const auto behind = std::find_if(rows_.begin(), rows_.end(), [&](const Row& row) {
                return row.open && row.finding.grade > now[i].grade;
            });
            rows_.insert(behind, {now[i], true});
        }
    }
}

void FindingsList::rebuild() {
    const int place = scroll_->verticalScrollBar()->value();
    while (QLayoutItem* item = column_->takeAt(0)) {
        if (item->widget() != nullptr) {
            item->widget()->hide();
            item->widget()->deleteLater();
        }
        delete item;
    }
    const std::shared_ptr<const SessionState> state = session_.state();
    const auto quiet = [this](const QString& text) {
        auto* label = new QLabel(text, list_);
        label->setWordWrap(true);
        label->setObjectName(QStringLiteral("soft"));
        column_->addWidget(label);
    };
    if (!state) {
        rows_.clear();
        title_->setText(tr("Findings"));
        quiet(tr("What is wrong or odd in the sources will be listed here, each with the step that mends it."));
        column_->addStretch(1);
        return;
    }
    title_->setText(state->findings.empty() ? tr("Findings · none open")
                                            : tr("Findings · %1 open").arg(state->findings.size()));
    if (document_.job().sources != sources_) {
        rows_.clear();
        shown_ = page_rows;
        sources_ = document_.job().sources;
    }
    merge(state->findings);
    const auto shown = static_cast<size_t>(shown_);
    for (size_t r = 0; r < std::min(rows_.size(), shown); ++r) {
        column_->addWidget(rows_[r].open ? finding_card(rows_[r].finding) : mended_card(rows_[r].finding));
    }
    if (rows_.size() > shown) {
        const auto left = static_cast<int>(rows_.size() - shown);
        auto* more = new QPushButton(
            left > page_rows ? tr("Show %1 more of %2").arg(page_rows).arg(left) : tr("Show %1 more").arg(left), list_);
        more->setObjectName(QStringLiteral("moreFindings"));
        connect(more, &QPushButton::clicked, this, [this] {
            shown_ += page_rows;
            rebuild();
        });
        column_->addWidget(more, 0, Qt::AlignLeft);
    }
    QStringList mended;
    for (const Finding& before : state->received_findings) {
        const bool open = std::any_of(state->findings.begin(), state->findings.end(),
                                      [&](const Finding& now) { return now.id == before.id; });
        const bool stands_above =
            std::any_of(rows_.begin(), rows_.end(), [&](const Row& row) { return row.finding.same_as(before); });
        if (!open && !stands_above) {
            mended << QStringLiteral("✓ ") + localized(before.message);
        }
    }
    if (!mended.isEmpty()) {
        auto* head = new QLabel(tr("Mended by the route card"), list_);
        head->setStyleSheet(QStringLiteral("font-weight: 600; color: %1; padding-top: 4px;").arg(theme().well.name()));
        column_->addWidget(head);
        quiet(mended.join(QLatin1Char('\n')));
    }
    column_->addStretch(1);
    // The list has its new height only when it is laid out; what held the keys is gone, and must not take it along.
    list_->adjustSize();
    QTimer::singleShot(0, this, [this, place] { scroll_->verticalScrollBar()->setValue(place); });
}

} // namespace wembrix::app
