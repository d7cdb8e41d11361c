#include "stations/takes/pairs_panel.h"
#include "style/language.h"

#include "core/base/files.h"
#include "core/job/skeleton_edits.h"
#include "style/theme.h"

#include <QComboBox>
#include <QFileDialog>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QLabel>
#include <QMessageBox>
#include <QPushButton>
#include <QSignalBlocker>
#include <QStyledItemDelegate>
#include <QTableView>
#include <QVBoxLayout>
#include <algorithm>

namespace wembrix::app {

namespace {

/// The joints of the take, to choose an answer from.
class AnswerDelegate : public QStyledItemDelegate {
  public:
    using QStyledItemDelegate::QStyledItemDelegate;
    QWidget* createEditor(QWidget* parent, const QStyleOptionViewItem&, const QModelIndex& index) const override {
        auto* combo = new QComboBox(parent);
        combo->setObjectName(QStringLiteral("answer"));
        combo->addItems(static_cast<const PairsModel*>(index.model())->answers(index));
        connect(combo, QOverload<int>::of(&QComboBox::activated), this, [this, combo] {
            auto* self = const_cast<AnswerDelegate*>(this); // NOLINT: signals are not const
            Q_EMIT self->commitData(combo);
            Q_EMIT self->closeEditor(combo);
        });
        return combo;
    }
    void setEditorData(QWidget* editor, const QModelIndex& index) const override {
        auto* combo = static_cast<QComboBox*>(editor);
        combo->setCurrentIndex(std::max(0, combo->findText(index.data(Qt::EditRole).toString())));
    }
    void setModelData(QWidget* editor, QAbstractItemModel* model, const QModelIndex& index) const override {
        model->setData(index, static_cast<QComboBox*>(editor)->currentText(), Qt::EditRole);
    }
};

} // namespace

PairsPanel::PairsPanel(Document& document, Session& session, QWidget* parent)
    : QWidget(parent), document_(document), session_(session) {
    worker_.setMaxThreadCount(1);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(6);
    auto* top = new QHBoxLayout;
    top->setSpacing(6);
    source_ = new QComboBox(this);
    source_->setObjectName(QStringLiteral("pairsSource"));
    source_->setToolTip(tr("The file of a take that was made on another body"));
    connect(source_, QOverload<int>::of(&QComboBox::activated), this, &PairsPanel::show_one);
    top->addWidget(source_, 1);
    const auto add = [&](const char* id, const QString& text, const QString& tip, void (PairsPanel::*slot)()) {
        auto* button = new QPushButton(text, this);
        button->setObjectName(QString::fromUtf8(id));
        button->setToolTip(tip);
        connect(button, &QPushButton::clicked, this, slot);
        top->addWidget(button);
    };
    add("readMap", tr("Read map…"), tr("Which joints are which, as it was kept for another take"),
        &PairsPanel::ask_to_read);
    add("saveMap", tr("Save map…"), tr("Keeps these pairs in a file, for the next takes"), &PairsPanel::ask_to_save);
    column->addLayout(top);
    model_ = new PairsModel(this);
    table_ = new QTableView(this);
    table_->setObjectName(QStringLiteral("pairsTable"));
    table_->setModel(model_);
    table_->setItemDelegate(new AnswerDelegate(table_));
    table_->setEditTriggers(QAbstractItemView::DoubleClicked | QAbstractItemView::SelectedClicked |
                            QAbstractItemView::EditKeyPressed);
    table_->verticalHeader()->hide();
    table_->verticalHeader()->setDefaultSectionSize(23);
    table_->setSelectionBehavior(QAbstractItemView::SelectRows);
    table_->horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
    table_->horizontalHeader()->setSectionResizeMode(PairsModel::how, QHeaderView::ResizeToContents);
    table_->horizontalHeader()->setSectionResizeMode(PairsModel::apart, QHeaderView::ResizeToContents);
    table_->setToolTip(tr("Double-click a joint of the take to choose another one; — lets the joint here rest. "
                          "Double-click how it was told to say that it is a foot, a hand or a prop. Apart: "
                          "how far a bone points from where the take's does, at the worst frame"));
    connect(model_, &PairsModel::mapAsked, this, &PairsPanel::keep);
    column->addWidget(table_, 1);
    auto* row = new QHBoxLayout;
    row->setSpacing(6);
    path_ = new QComboBox(this);
    path_->setObjectName(QStringLiteral("pairsPath"));
    path_->addItems({tr("path by leg length"), tr("path as it is")});
    path_->setToolTip(tr("How far pelvis and root go"));
    connect(path_, QOverload<int>::of(&QComboBox::activated), this,
            [this](int index) { change("path", index == 0 ? "legs" : "same", tr("Path")); });
    row->addWidget(path_);
    feet_ = new QComboBox(this);
    feet_->setObjectName(QStringLiteral("pairsFeet"));
    feet_->addItems({tr("feet planted"), tr("feet free")});
    feet_->setToolTip(tr("Whether feet stand where those of the take stand"));
    connect(feet_, QOverload<int>::of(&QComboBox::activated), this,
            [this](int index) { change("feet", index == 0 ? "planted" : "free", tr("Feet")); });
    row->addWidget(feet_);
    hands_ = new QComboBox(this);
    hands_->setObjectName(QStringLiteral("pairsHands"));
    hands_->addItems({tr("hands free"), tr("hands kept")});
    hands_->setToolTip(tr("Whether hands keep to where those of the take are still: in the world, at each other, at a "
                          "joint that is a prop"));
    connect(hands_, QOverload<int>::of(&QComboBox::activated), this,
            [this](int index) { change("hands", index == 0 ? "free" : "kept", tr("Hands")); });
    row->addWidget(hands_);
    row->addStretch(1);
    column->addLayout(row);
    said_ = new QLabel(this);
    said_->setObjectName(QStringLiteral("pairsSaid"));
    said_->setWordWrap(true);
    said_->setTextFormat(Qt::RichText);
    connect(said_, &QLabel::linkActivated, this, [this](const QString& link) {
        // "TAKE#FRAME"
        const qsizetype at = link.lastIndexOf(QLatin1Char('#'));
        Q_EMIT momentAsked(link.left(at), link.mid(at + 1).toInt());
    });
    column->addWidget(said_);
    connect(&session_, &Session::changed, this, [this] {
        if (isVisible()) {
            measure();
        }
    });
}

PairsPanel::~PairsPanel() {
    ++run_;
    worker_.waitForDone();
}

void PairsPanel::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    measure();
}

std::shared_ptr<const Scene> PairsPanel::beside() const {
    const int at = source_->currentIndex();
    return ready_ && at >= 0 && at < static_cast<int>(all_.size()) ? all_[static_cast<size_t>(at)].beside : nullptr;
}

QString PairsPanel::beside_name() const {
    return source_->currentText();
}

void PairsPanel::measure() {
    const std::shared_ptr<const SessionState> state = session_.state();
    if (state == of_) {
        return;
    }
    of_ = state;
    ready_ = false;
    const uint64_t run = ++run_;
    said_->setText(tr("Being measured…"));
    if (!state) {
        all_.clear();
        show_one();
        return;
    }
    worker_.start([this, run, state] {
        std::vector<RetargetedSource> all = retargeted_sources(state->replay, [this, run] { return run_ != run; });
        QMetaObject::invokeMethod(
            this,
            [this, run, all = std::move(all)] {
                if (run_ != run) {
                    return;
                }
                all_ = all;
                ready_ = true;
                const QSignalBlocker quiet(source_);
                const int before = source_->currentIndex();
                source_->clear();
                for (const RetargetedSource& one : all_) {
                    source_->addItem(QString::fromStdString(one.name));
                }
                source_->setCurrentIndex(before >= 0 && before < source_->count() ? before : 0);
                show_one();
            },
            Qt::QueuedConnection);
    });
}

void PairsPanel::show_one() {
    const int at = source_->currentIndex();
    if (at < 0 || at >= static_cast<int>(all_.size())) {
        model_->show_source({});
        said_->setText(tr("No take of another body. Import one, and say under Intake that its source is a take; then "
                          "its finding offers “Retarget takes”."));
        Q_EMIT measured();
        return;
    }
    const RetargetedSource& one = all_[static_cast<size_t>(at)];
    model_->show_source(one);
    const std::shared_ptr<const SessionState> state = session_.state();
    const int place = state ? retarget_place(state->replay) : -1;
    if (place >= 0) {
        const nlohmann::json& parameters = state->replay.outcomes[static_cast<size_t>(place)].step.parameters;
        path_->setCurrentIndex(parameters.value("path", "legs") == "same" ? 1 : 0);
        feet_->setCurrentIndex(parameters.value("feet", "planted") == "free" ? 1 : 0);
        hands_->setCurrentIndex(parameters.value("hands", "free") == "kept" ? 1 : 0);
    }
    // Over all its takes the worst, each with the moment.
    const RetargetedClip* slide = nullptr;
    const RetargetedClip* pop = nullptr;
    const RetargetedClip* deep = nullptr;
    const RetargetedClip* hand = nullptr;
    const RetargetedClip* beyond = nullptr;
    double longest = 0;
    for (const RetargetedClip& clip : one.clips) {
        slide = slide == nullptr || clip.report.slide_mm > slide->report.slide_mm ? &clip : slide;
        pop = pop == nullptr || clip.report.pop_m_s2 > pop->report.pop_m_s2 ? &clip : pop;
        deep = deep == nullptr || clip.report.below_ground_mm > deep->report.below_ground_mm ? &clip : deep;
        hand = hand == nullptr || clip.report.hand_off_mm > hand->report.hand_off_mm ? &clip : hand;
        beyond = beyond == nullptr || clip.beyond.degrees > beyond->beyond.degrees ? &clip : beyond;
        longest = std::max(longest, clip.report.longest_change_m);
    }
    const auto link = [](const std::string& take, int frame, const QString& text) {
        return QStringLiteral("<a href='%1#%2' style='color: %3'>%4</a>")
            .arg(QString::fromStdString(take).toHtmlEscaped())
            .arg(frame)
            .arg(theme().accent.name(), text.toHtmlEscaped());
    };
    QStringList parts;
    parts << tr("path × %1").arg(one.path_factor, 0, 'f', one.path_factor < 0.1 ? 4 : 2);
    if (slide != nullptr && slide->report.stands > 0) {
        parts << tr("slide at most %1 (the take's own: %2 mm)")
                     .arg(link(slide->name, slide->report.slide_frame,
                               tr("%1 mm").arg(slide->report.slide_mm, 0, 'f', 1)))
                     .arg(slide->report.allowed_mm, 0, 'f', 1);
        parts << tr("below the ground %1")
                     .arg(link(deep->name, deep->report.below_frame,
                               tr("%1 mm").arg(deep->report.below_ground_mm, 0, 'f', 1)));
        double rise = 0;
        for (const RetargetedClip& clip : one.clips) {
            rise = std::max(rise, clip.report.ground_rise_mm);
        }
        parts << tr("ground rises by %1 mm").arg(rise, 0, 'f', 0);
    }
    if (hand != nullptr && hand->report.holds > 0) {
        parts << tr("hands off by %1")
                     .arg(link(hand->name, hand->report.hand_frame,
                               tr("%1 mm").arg(hand->report.hand_off_mm, 0, 'f', 1)));
    }
    if (beyond != nullptr && beyond->beyond.degrees > 0) {
        parts << tr("beyond its limits %1 (%2)")
                     .arg(link(beyond->name, beyond->beyond.frame, tr("%1°").arg(beyond->beyond.degrees, 0, 'f', 1)),
                          QString::fromStdString(beyond->beyond.joint).toHtmlEscaped());
    }
    if (!one.directions.empty()) {
        const RetargetedSource::Direction& worst = one.directions.front();
        parts << tr("worst direction %1 (%2)")
                     .arg(link(worst.clip, worst.bone.worst_frame, tr("%1°").arg(worst.bone.worst_degrees, 0, 'f', 1)),
                          QString::fromStdString(worst.joint).toHtmlEscaped());
    }
    if (pop != nullptr && !pop->report.pop_joint.empty()) {
        parts << tr("quickest change beyond the take's %1 (%2)")
                     .arg(link(pop->name, pop->report.pop_frame, tr("%1 m/s²").arg(pop->report.pop_m_s2, 0, 'f', 1)),
                          QString::fromStdString(pop->report.pop_joint).toHtmlEscaped());
    }
    parts << tr("bone lengths changed by %1 mm").arg(longest * 1000, 0, 'f', 3);
    said_->setText(parts.join(QStringLiteral(" · ")));
    Q_EMIT measured();
}

void PairsPanel::keep(const JointMap& map, const QString& what) {
    change("map", map_to_json(map), what);
}

void PairsPanel::change(const char* key, const nlohmann::json& value, const QString& what) {
    const std::shared_ptr<const SessionState> state = session_.state();
    const int place = state ? retarget_place(state->replay) : -1;
    nlohmann::json parameters =
        place < 0 ? nlohmann::json::object() : state->replay.outcomes[static_cast<size_t>(place)].step.parameters;
    parameters[key] = value;
    document_.edit(what, [&](Job& job) { set_retarget(job, parameters); });
}

void PairsPanel::ask_to_read() {
    const QString file = QFileDialog::getOpenFileName(this, tr("Read a map"), {}, tr("Maps (*.map.json *.json)"));
    if (file.isEmpty()) {
        return;
    }
    const Result<JointMap> map = read_map(file.toStdString());
    if (map) {
        keep(*map, tr("Map %1").arg(QString::fromStdString(map->name)));
    } else {
        QMessageBox::warning(this, tr("Map"), localized(map.problem().sentence()));
    }
}

void PairsPanel::ask_to_save() {
    const QString file = QFileDialog::getSaveFileName(this, tr("Save the map"), QStringLiteral("joints.map.json"),
                                                      tr("Maps (*.map.json)"));
    if (file.isEmpty()) {
        return;
    }
    const Outcome done = replace_file(file.toStdString(), map_to_json(model_->shown().map).dump(2) + "\n");
    if (!done) {
        QMessageBox::warning(this, tr("Map"), localized(done.problem().sentence()));
    }
}

} // namespace wembrix::app
