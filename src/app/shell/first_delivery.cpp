#include "shell/first_delivery.h"

#include "shell/main_window.h"
#include "style/theme.h"

#include <QAbstractItemView>
#include <QBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QPainter>
#include <QPushButton>
#include <QSettings>
#include <QTimer>
#include <algorithm>
#include <array>
#include <functional>

namespace wembrix::app {

namespace {

constexpr int lesson_count = 5;
constexpr const char* setting = "firstDelivery/step";

struct Lesson {
    QString title;
    QString words;
    const char* station; ///< empty: wherever one is
    const char* control; ///< by its object's name
    bool (*is_done)(MainWindow& window);
};

bool has_step(MainWindow& window, const char* id) {
    const std::vector<Step>& steps = window.document().job().steps;
    return std::any_of(steps.begin(), steps.end(), [&](const Step& step) { return step.id == id; });
}

const std::array<Lesson, lesson_count>& lessons() {
    static const std::array<Lesson, lesson_count> all = {
        {{QObject::tr("A character comes in"),
          QObject::tr(
              "Open Tansy as somebody sent her. A job is what comes in, what is done to it, and where it goes."),
          "", "",
          [](MainWindow& window) { return !window.document().is_empty() && window.session().state() != nullptr; }},
         {QObject::tr("Mend what is wrong"),
          QObject::tr("She is 161.8 m tall and has two roots. Press “Add” at the findings: each puts a step on the "
                      "route card, and "
                      "the right pane shows what comes of it. Add “Scale” and “Make root”."),
          "intake", "findings",
          [](MainWindow& window) { return has_step(window, "scale") && has_step(window, "make_root"); }},
         {QObject::tr("Cut the take into a clip"),
          QObject::tr("Her motions stand in one long take. Put the playhead where she stands still, at frame 220 say, "
                      "and press "
                      "Return; then at 396. A cut has two ends."),
          "takes", "takeStrip",
          [](MainWindow& window) {
              const auto state = window.session().state();
              const auto& clips = state->replay.prepared().clips;
              return std::any_of(clips.begin(), clips.end(), [](const Clip& clip) { return clip.cut; });
          }},
         {QObject::tr("Deliver"),
          QObject::tr("Press “Deliver”: each file is written, read back, and held against what was prepared."), "",
          "go", [](MainWindow&) { return false; }}, // seen when a delivery ends
         {QObject::tr("See how it arrived"),
          QObject::tr("Choose a cell of the board: beside it stands the file as it was read back, and every claim. "
                      "What was held says "
                      "why; a step at its station mends it."),
          "deliver", "board", [](MainWindow&) { return false; } /* seen when a cell is chosen by hand */}}};
    return all;
}

/// Cells that are chosen by the arrow keys.
class BoardKeys : public QObject {
  public:
    using QObject::QObject;
    std::function<void()> chosen;
    bool eventFilter(QObject* watched, QEvent* event) override {
        if (event->type() == QEvent::KeyRelease) {
            const int key = static_cast<QKeyEvent*>(event)->key();
            if (key == Qt::Key_Up || key == Qt::Key_Down || key == Qt::Key_Left || key == Qt::Key_Right) {
                chosen();
            }
        }
        return QObject::eventFilter(watched, event);
    }
};

/// A frame around what is meant; the mouse goes through it.
class Outline : public QWidget {
  public:
    explicit Outline(QWidget* parent) : QWidget(parent) {
        setAttribute(Qt::WA_TransparentForMouseEvents);
        setAttribute(Qt::WA_NoSystemBackground);
        hide();
    }
    void around(const QWidget* target) {
        if (target == nullptr || !target->isVisible()) {
            hide();
            return;
        }
        constexpr int margin = 4;
        // What is seen of it: a list may be longer than its place.
        const QRect seen = target->visibleRegion().boundingRect();
        const QRect place(target->mapTo(window(), seen.topLeft()), seen.size());
        setGeometry(place.adjusted(-margin, -margin, margin, margin).intersected(parentWidget()->rect()));
        show();
        raise();
    }

  protected:
    void paintEvent(QPaintEvent*) override {
        QPainter painter(this);
        painter.setRenderHint(QPainter::Antialiasing);
        constexpr double wide = 3;
        painter.setPen(QPen(theme().arrived, wide));
        painter.drawRoundedRect(QRectF(rect()).adjusted(wide / 2, wide / 2, -wide / 2, -wide / 2), 7, 7);
    }
};

} // namespace

FirstDelivery& FirstDelivery::of(MainWindow& window) {
    if (auto* there = window.findChild<FirstDelivery*>(QStringLiteral("firstDelivery"))) {
        there->show();
        there->go_to(there->step_ >= lesson_count ? 0 : there->step_);
        return *there;
    }
    auto* made = new FirstDelivery(window);
    // Between the header, or what it says, and the stations.
    auto* column = qobject_cast<QBoxLayout*>(window.centralWidget()->layout());
    column->insertWidget(std::max(0, column->count() - 2), made);
    made->go_to(std::clamp(QSettings().value(QLatin1String(setting), 0).toInt(), 0, lesson_count - 1));
    return *made;
}

FirstDelivery::FirstDelivery(MainWindow& window) : QWidget(window.centralWidget()), window_(window) {
    setObjectName(QStringLiteral("firstDelivery"));
    setAttribute(Qt::WA_StyledBackground);
    setStyleSheet(QStringLiteral("#firstDelivery { background: %1; }").arg(theme().card.name()));
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(16, 8, 12, 8);
    auto* texts = new QVBoxLayout;
    texts->setSpacing(1);
    title_ = new QLabel(this);
    title_->setObjectName(QStringLiteral("firstDeliveryTitle"));
    title_->setStyleSheet(QStringLiteral("font-weight: 600; color: %1;").arg(theme().arrived.name()));
    texts->addWidget(title_);
    words_ = new QLabel(this);
    words_->setObjectName(QStringLiteral("firstDeliveryWords"));
    words_->setWordWrap(true);
    texts->addWidget(words_);
    row->addLayout(texts, 1);
    do_ = new QPushButton(this);
    do_->setObjectName(QStringLiteral("firstDeliveryDo"));
    connect(do_, &QPushButton::clicked, this, [this] {
        if (step_ == 0) {
            window_.files().open_demo(QStringLiteral("tansy_first_look.wembrix"));
        } else if (step_ >= lesson_count) {
            leave();
        } else if (const std::string_view station = lessons()[static_cast<size_t>(step_)].station; !station.empty()) {
            window_.choose_station(station);
        }
        look();
    });
    row->addWidget(do_);
    skip_ = new QPushButton(tr("Ski&p"), this);
    skip_->setObjectName(QStringLiteral("firstDeliverySkip"));
    connect(skip_, &QPushButton::clicked, this, [this] { go_to(step_ + 1); });
    row->addWidget(skip_);
    auto* away = new QPushButton(tr("Lea&ve it"), this);
    away->setObjectName(QStringLiteral("firstDeliveryLeave"));
    away->setToolTip(tr("“Help, A first delivery” goes on here"));
    connect(away, &QPushButton::clicked, this, &FirstDelivery::leave);
    row->addWidget(away);
    outline_ = new Outline(&window);
    connect(&window.runner(), &DeliveryRunner::finished, this, [this] {
        if (step_ < lesson_count && lessons()[static_cast<size_t>(step_)].control == std::string_view("go")) {
            go_to(step_ + 1);
        }
    });
    if (auto* board = window.findChild<QAbstractItemView*>(QStringLiteral("board"))) {
        const auto chosen = [this] {
            if (step_ == lesson_count - 1) {
                go_to(lesson_count);
            }
        };
        connect(board, &QAbstractItemView::clicked, this, chosen);
        connect(board, &QAbstractItemView::activated, this, chosen);
        auto* keys = new BoardKeys(this);
        keys->chosen = chosen;
        board->installEventFilter(keys);
    }
    looks_ = new QTimer(this);
    constexpr int every_ms = 250;
    looks_->setInterval(every_ms);
    connect(looks_, &QTimer::timeout, this, &FirstDelivery::look);
}

void FirstDelivery::go_to(int step) {
    step_ = std::clamp(step, 0, lesson_count);
    QSettings().setValue(QLatin1String(setting), step_ == lesson_count ? 0 : step_);
    skip_->setVisible(step_ < lesson_count);
    if (step_ == lesson_count) {
        title_->setText(tr("First delivery: done"));
        words_->setText(tr("That is the line of work: what comes in is never altered, every step says how far it moved "
                           "things, and what "
                           "goes out is read back. The guide goes on from here (F1)."));
        do_->setText(tr("&Close"));
        do_->show();
    } else {
        const Lesson& lesson = lessons()[static_cast<size_t>(step_)];
        title_->setText(tr("First delivery, %1 of %2: %3").arg(step_ + 1).arg(lesson_count).arg(lesson.title));
        words_->setText(lesson.words);
        do_->setText(step_ == 0 ? tr("&Open her") : tr("&Go there"));
        do_->setVisible(step_ == 0 || *lesson.station != 0);
    }
    looks_->start();
    look();
}

void FirstDelivery::leave() {
    looks_->stop();
    outline_->hide();
    hide();
}

QWidget* FirstDelivery::target() const {
    if (step_ >= lesson_count || *lessons()[static_cast<size_t>(step_)].control == 0) {
        return step_ == 0 ? do_ : nullptr;
    }
    const QString name = QString::fromUtf8(lessons()[static_cast<size_t>(step_)].control);
    for (QWidget* one : window_.findChildren<QWidget*>(name)) {
        if (one->isVisible()) {
            return one;
        }
    }
    return nullptr;
}

void FirstDelivery::look() {
    if (isHidden()) {
        return;
    }
    const bool has_job = !window_.document().is_empty() && window_.session().state() != nullptr;
    if (step_ < lesson_count && (step_ == 0 || has_job) && lessons()[static_cast<size_t>(step_)].is_done(window_)) {
        go_to(step_ + 1);
        return;
    }
    // Not over a dialog that stands before the window.
    auto* outline = static_cast<Outline*>(outline_);
    outline->around(QApplication::activeModalWidget() == nullptr ? target() : nullptr);
    const char* station = step_ < lesson_count ? lessons()[static_cast<size_t>(step_)].station : "";
    do_->setEnabled(step_ == 0 || step_ >= lesson_count || *station == 0 ||
                    window_.pages()[static_cast<size_t>(window_.station())]->kind().id != std::string_view(station));
}

} // namespace wembrix::app
