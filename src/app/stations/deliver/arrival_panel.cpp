#include "stations/deliver/arrival_panel.h"
#include "style/language.h"

#include "core/delivery/second_reader.h"
#include "stations/deliver/ledger_window.h"
#include "style/numbers.h"
#include "style/theme.h"

#include <QHBoxLayout>
#include <QHeaderView>
#include <QLabel>
#include <QPainter>
#include <QPushButton>
#include <QTableWidget>
#include <QVBoxLayout>
#include <algorithm>
#include <string_view>

namespace wembrix::app {

namespace {

enum ClaimColumn { claim, should, is, engine, verdict, columns };

/// Which claims of ours tell of what a listener says.
constexpr int name_role = Qt::UserRole + 1; ///< what a claim is called, in every language

struct Answered {
    const char* listener; ///< what its claim is called, behind its name
    std::vector<const char*> ours;
};

/// The row of ours that tells of the same, or -1.
int row_of_answer(const QTableWidget& table, const std::string& about) {
    static const std::vector<Answered> known = {{"joints", {"Joints, in order"}},
                                                {"bounds", {"Height", "Size"}},
                                                {"shapes", {"Shapes", "Shapes moved"}},
                                                {"", {"Clip length"}}}; // a clip is called by its name
    const auto row_called = [&](const char* name) {
        for (int row = 0; row < table.rowCount(); ++row) {
            if (table.item(row, claim)->data(name_role).toByteArray() == name) {
                return row;
            }
        }
        return -1;
    };
    for (const Answered& one : known) {
        if (one.listener == about || std::string_view(one.listener).empty()) {
            for (const char* name : one.ours) {
                if (const int row = row_called(name); row >= 0) {
                    return row;
                }
            }
            return -1;
        }
    }
    return -1;
}

QWidget* titled(const QString& name, const QColor& colour, SceneView* view, QWidget* parent) {
    auto* frame = new QFrame(parent);
    frame->setObjectName(QStringLiteral("card"));
    auto* column = new QVBoxLayout(frame);
    column->setContentsMargins(1, 1, 1, 1);
    column->setSpacing(0);
    auto* label = new QLabel(name, frame);
    label->setStyleSheet(
        QStringLiteral("font-weight: 600; color: %1; padding: 4px 8px; border-top: 3px solid %1;").arg(colour.name()));
    column->addWidget(label);
    view->setParent(frame);
    column->addWidget(view, 1);
    return frame;
}

} // namespace

ArrivalPanel::ArrivalPanel(Session& session, Camera& camera, Clock& clock, QWidget* parent)
    : QFrame(parent), session_(session), clock_(clock) {
    setObjectName(QStringLiteral("card"));
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(10, 8, 10, 8);
    column->setSpacing(6);
    auto* top = new QHBoxLayout;
    auto* head = new QLabel(tr("Arrival check"), this);
    head->setStyleSheet(QStringLiteral("font-size: 13px; font-weight: 600; color: %1;").arg(theme().arrived.name()));
    top->addWidget(head);
    title_ = new QLabel(this);
    title_->setObjectName(QStringLiteral("soft"));
    title_->setAlignment(Qt::AlignRight);
    top->addWidget(title_, 1);
    column->addLayout(top);
    auto* views = new QHBoxLayout;
    views->setSpacing(6);
    prepared_ = new SceneView(State::prepared, camera, clock, this);
    prepared_->setAccessibleName(tr("View of what was prepared"));
    arrived_ = new SceneView(State::arrived, camera, clock, this);
    arrived_->setObjectName(QStringLiteral("arrivalView"));
    arrived_->setAccessibleName(tr("View of what arrived"));
    Shown shown;
    shown.tools = false;
    prepared_->set_shown(shown);
    arrived_->set_shown(shown);
    views->addWidget(titled(tr("Prepared"), theme().prepared, prepared_, this));
    views->addWidget(titled(tr("Arrived"), theme().arrived, arrived_, this));
    column->addLayout(views, 3);
    claims_ = new QTableWidget(0, columns, this);
    claims_->setObjectName(QStringLiteral("claims"));
    claims_->setHorizontalHeaderLabels({tr("Claim"), tr("Prepared"), tr("Arrived"), tr("Engine"), QString()});
    claims_->verticalHeader()->hide();
    claims_->verticalHeader()->setDefaultSectionSize(23);
    claims_->setShowGrid(false);
    claims_->setEditTriggers(QAbstractItemView::NoEditTriggers);
    claims_->setSelectionMode(QAbstractItemView::NoSelection);
    claims_->setFocusPolicy(Qt::NoFocus);
    claims_->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    claims_->horizontalHeader()->setSectionResizeMode(claim, QHeaderView::ResizeToContents);
    for (const int wide : {should, is, engine}) {
        claims_->horizontalHeader()->setSectionResizeMode(wide, QHeaderView::Stretch);
    }
    claims_->horizontalHeader()->setSectionResizeMode(verdict, QHeaderView::Fixed);
    claims_->setColumnWidth(verdict, 56);
    claims_->setColumnHidden(engine, true);
    claims_->setWordWrap(false); // what is too long is cut at its end, not behind its first number
    claims_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    claims_->setMinimumHeight(236);
    connect(claims_, &QTableWidget::cellClicked, this, [this](int row, int) {
        if (claims_->item(row, 0)->data(Qt::UserRole).toBool()) {
            opened_ = !opened_;
            show_claims(std::vector<Claim>(shown_));
        }
    });
    column->addWidget(claims_, 2);
    left_ = new QPushButton(this);
    left_->setObjectName(QStringLiteral("leftBehind"));
    left_->setToolTip(tr("Every thing that is not in the files, why, and who left it out"));
    left_->hide();
    column->addWidget(left_, 0, Qt::AlignLeft);
    second_ = new QPushButton(tr("Ask a second reader"), this);
    second_->setObjectName(QStringLiteral("askSecondReader"));
    second_->hide();
    connect(second_, &QPushButton::clicked, this, &ArrivalPanel::ask_second);
    asking_.setMaxThreadCount(1);
    connect(left_, &QPushButton::clicked, this, [this] {
        LedgerWindow window(ledger_, tr("What stayed behind: %1").arg(title_->text()), this);
        window.exec();
    });
    auto* drift = new QLabel(tr("Drift over the clip"), this);
    drift->setStyleSheet(QStringLiteral("font-weight: 600;"));
    auto* below = new QHBoxLayout;
    below->addWidget(drift, 1);
    below->addWidget(second_);
    column->addLayout(below);
    curve_ = new FrameCurve(clock, this);
    column->addWidget(curve_);
    footer_ = new QLabel(this);
    footer_->setObjectName(QStringLiteral("arrivalFooter"));
    footer_->setWordWrap(true);
    footer_->setMinimumHeight(32);
    footer_->setStyleSheet(QStringLiteral("font-size: 11px; color: %1;").arg(theme().soft.name()));
    column->addWidget(footer_);
}

ArrivalPanel::~ArrivalPanel() {
    closing_ = true;
    asking_.waitForDone();
}

void ArrivalPanel::ask_second() {
    if (file_.empty() || !asked_.empty()) {
        return;
    }
    asked_ = content_;
    show_second();
    asking_.start([this, file = file_, content = content_] {
        SecondReaderRequest request;
        request.files = {file};
        request.stop = [this] { return closing_.load(); };
        Result<std::vector<std::vector<Claim>>> answer = ask_second_reader(request);
        std::vector<Claim> claims =
            answer ? answer->front()
                   : std::vector<Claim>{{"Second reader", "answers", "no answer", false, answer.problem().sentence()}};
        QMetaObject::invokeMethod(
            this,
            [this, content, claims = std::move(claims)] {
                said_[content] = claims;
                asked_.clear();
                if (content == content_) {
                    std::vector<Claim> all = shown_;
                    all.insert(all.end(), claims.begin(), claims.end());
                    show_claims(all);
                    claims_->scrollToBottom();
                }
                show_second();
            },
            Qt::QueuedConnection);
    });
}

void ArrivalPanel::show_second() {
    const bool is_there = second_reader().has_value();
    second_->setVisible(!file_.empty());
    second_->setEnabled(is_there && asked_.empty() && said_.count(content_) == 0);
    second_->setText(!asked_.empty() && asked_ == content_ ? tr("Asking…") : tr("Ask a second reader"));
    second_->setToolTip(is_there
                            ? tr("Has a real engine import the file, and holds what it makes of it against what is "
                                 "in it")
                            : localized(how_to_get_second_reader()));
}

void ArrivalPanel::show_cell(const QString& title, const Arrival* arrival, const Destination* destination,
                             const QString& why_empty) {
    title_->setText(title);
    claims_->setRowCount(0);
    const bool has_file = arrival != nullptr && arrival->state == CellState::arrived && !arrival->files.empty() &&
                          second_reader_reads(arrival->files.front());
    file_ = has_file ? folder_ / arrival->files.front() : std::filesystem::path();
    content_ = has_file ? arrival->content + arrival->files.front() : std::string();
    show_second();
    const std::shared_ptr<const SessionState> state = session_.state();
    if (state) {
        prepared_->show_scene(state->replay.prepared_scene(), state->prepared, State::prepared);
    } else {
        prepared_->clear(QString());
    }
    if (arrival == nullptr || destination == nullptr) {
        arrived_->clear(why_empty);
        left_->hide();
        curve_->show_drift({}, 0);
        footer_->setText(QString());
        return;
    }
    std::vector<Claim> claims = arrival->claims;
    if (const auto said = said_.find(content_); said != said_.end()) {
        claims.insert(claims.end(), said->second.begin(), said->second.end());
    }
    show_claims(claims);
    show_left(*arrival);
    if (arrival->scene) {
        arrived_->show_scene(arrival->scene, std::nullopt, State::arrived);
    } else {
        arrived_->clear(tr("Nothing was written: %1").arg(QString::fromStdString(arrival->reason)));
    }
    curve_->show_drift(arrival->drift.per_frame_mm, destination->drift_limit_mm);
    QString accepted;
    for (const Finding& finding : arrival->accepted) {
        accepted += tr("Accepted: %1 (%2). ").arg(localized(finding.message), QString::fromStdString(finding.accepted));
    }
    if (arrival->state == CellState::held) {
        footer_->setText(tr("Held. %1").arg(QString::fromStdString(arrival->reason)));
    } else {
        const Drift& between = arrival->between;
        const QString lost = between.largest_mm > 0
                                 ? tr(" Between frames %1 mm at %2, frame %3: what the rate leaves out.")
                                       .arg(between.largest_mm, 0, 'f', 3)
                                       .arg(QString::fromStdString(between.place))
                                       .arg(static_cast<double>(between.frame) / moments_a_frame)
                                 : QString();
        const bool plays = arrival->scene && !arrival->scene->caches.empty() && !arrival->scene->clips.empty();
        const Drift& drift = arrival->drift;
        const QString compared =
            drift.joints_compared > 0
                ? tr("%1 vertices and %2 joints").arg(drift.points_compared).arg(drift.joints_compared)
                : tr("%1 points").arg(drift.points_compared);
        footer_->setText(accepted +
                         tr("Largest %1 mm at %2, frame %3 · %4 compared at every frame, read back from %5.")
                             .arg(arrival->drift.largest_mm, 0, 'f', 4)
                             .arg(QString::fromStdString(arrival->drift.place))
                             .arg(arrival->drift.frame)
                             .arg(compared)
                             .arg(arrival->files.empty() ? QString() : QString::fromStdString(arrival->files.front())) +
                         lost + (plays ? tr(" The body under it is shown moving as Prepared does.") : QString()));
    }
}

void ArrivalPanel::show_claims(const std::vector<Claim>& claims) {
    shown_ = claims;
    claims_->setRowCount(0);
    // What was compared thing by thing and is the same stands in one row until it is opened.
    QStringList same;
    for (const Claim& claim : claims) {
        if (claim.compared > 0 && claim.pass) {
            same << tr("%1: %2, the same").arg(localized(claim.name), localized(claim.expected));
        }
    }
    const bool gathers = same.size() > 2;
    const auto add_row = [&](const QStringList& texts, const QString& detail, bool pass, bool opens) {
        const int row = claims_->rowCount();
        claims_->insertRow(row);
        for (int column = 0; column < columns; ++column) {
            const QString text = column == engine ? QString() : texts[column > engine ? column - 1 : column];
            auto* item = new QTableWidgetItem(text);
            item->setToolTip(detail.isEmpty() ? text : detail);
            item->setData(Qt::UserRole, opens);
            if (column == claim) {
                item->setForeground(theme().soft);
            } else if (!pass && column > should) {
                item->setForeground(theme().stop);
            } else if (column == verdict) {
                item->setForeground(theme().well);
            }
            claims_->setItem(row, column, item);
        }
    };
    const int names = claim; // the column
    const auto add_claim = [&](const Claim& claim) {
        QString detail = localized(claim.detail);
        for (size_t i = 1; i < std::min<size_t>(claim.differences.size(), 20); ++i) {
            detail += QLatin1Char('\n') + localized(claim.differences[i]);
        }
        add_row({localized(claim.name), localized(claim.expected), localized(claim.actual),
                 claim.pass           ? tr("✓ Pass")
                 : claim.holds_back() ? tr("✗ Fail")
                                      : tr("Accepted")},
                claim.accepted.empty() ? detail : detail + QLatin1Char('\n') + QString::fromStdString(claim.accepted),
                !claim.holds_back(), false);
        claims_->item(claims_->rowCount() - 1, names)->setData(name_role, QByteArray::fromStdString(claim.name));
    };
    for (const Claim& claim : claims) {
        if (!gathers || claim.compared == 0 || !claim.pass) {
            add_claim(claim);
        }
    }
    if (gathers) {
        add_row({(opened_ ? tr("▾ Contents") : tr("▸ Contents")), counted(same.size(), "subject"), tr("the same"),
                 tr("✓ Pass")},
                same.join(QLatin1Char('\n')), true, true);
        for (const Claim& claim : claims) {
            if (opened_ && claim.compared > 0 && claim.pass) {
                add_claim(claim);
            }
        }
    }
    add_answer();
}

void ArrivalPanel::show_answer(const std::vector<Claim>& claims) {
    const bool same = claims.size() == answer_.size() &&
                      std::equal(claims.begin(), claims.end(), answer_.begin(), [](const Claim& a, const Claim& b) {
                          return a.name == b.name && a.actual == b.actual && a.pass == b.pass;
                      });
    answer_ = claims;
    if (!same) {
        show_claims(std::vector<Claim>(shown_));
    }
}

void ArrivalPanel::add_answer() {
    claims_->setColumnHidden(engine, answer_.empty() || claims_->rowCount() == 0);
    if (claims_->isColumnHidden(engine)) {
        return;
    }
    const QString by = QString::fromStdString(answer_.front().name.substr(0, answer_.front().name.rfind(": ")));
    claims_->horizontalHeaderItem(engine)->setText(by);
    claims_->horizontalHeaderItem(engine)->setToolTip(tr("What %1 says that it made of the file").arg(by));
    for (const Claim& one : answer_) {
        const std::string about = one.name.substr(one.name.rfind(": ") + 2);
        int row = row_of_answer(*claims_, about);
        if (row < 0) {
            row = claims_->rowCount();
            claims_->insertRow(row);
            for (int column = 0; column < columns; ++column) {
                claims_->setItem(row, column, new QTableWidgetItem);
            }
            QString name = localized(about);
            name[0] = name[0].toUpper();
            claims_->item(row, claim)->setText(name);
            claims_->item(row, claim)->setForeground(theme().soft);
            claims_->item(row, is)->setText(localized(one.expected));
            claims_->item(row, verdict)->setText(one.pass ? tr("✓ Pass") : tr("✗ Fail"));
            claims_->item(row, verdict)->setForeground(one.pass ? theme().well : theme().stop);
        }
        QTableWidgetItem* said = claims_->item(row, engine);
        said->setText((one.pass ? QString() : QStringLiteral("✗ ")) + localized(one.actual));
        said->setToolTip(localized(one.pass ? one.expected + " → " + one.actual : one.detail));
        said->setForeground(one.pass ? theme().well : theme().stop);
    }
}

void ArrivalPanel::show_left(const Arrival& arrival) {
    const std::shared_ptr<const SessionState> state = session_.state();
    ledger_ = state ? state->left : Ledger();
    if (arrival.left) {
        ledger_.insert(ledger_.end(), arrival.left->begin(), arrival.left->end());
    }
    left_->setVisible(!ledger_.empty());
    left_->setText(localized(ledger_said(ledger_)) + QStringLiteral("…"));
}

} // namespace wembrix::app
