#include "stations/joints/joint_facts.h"
#include "style/language.h"

#include "core/math/angles.h"
#include "core/measure/scene/facing.h"
#include "core/measure/surface/weight_move.h"
#include "core/steps/names.h"
#include "core/steps/skeleton/remove_joints.h"
#include "style/numbers.h"
#include "style/theme.h"

#include <QLabel>
#include <QPushButton>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>

namespace wembrix::app {

namespace {

QString row(const QString& name, const QString& value) {
    return QStringLiteral("<tr><td style='color:%1; padding-right:10px'>%2</td><td>%3</td></tr>")
        .arg(theme().soft.name(), name, value);
}

/// Turns about X, then Y, then Z, in degrees_per_radian.
QString turn_text(const Quat& turn) {
    const Vec3 angles = turn.toRotationMatrix().eulerAngles(2, 1, 0) * degrees_per_radian;
    Vec3 xyz(angles[2], angles[1], angles[0]);
    // Of the two ways to say a turn, the one with the smaller numbers.
    Vec3 other(xyz.x() > 0 ? xyz.x() - 180 : xyz.x() + 180, (xyz.y() > 0 ? 180 : -180) - xyz.y(),
               xyz.z() > 0 ? xyz.z() - 180 : xyz.z() + 180);
    xyz = other.cwiseAbs().sum() < xyz.cwiseAbs().sum() ? other : xyz;
    return QObject::tr("X %1° · Y %2° · Z %3°").arg(xyz.x(), 0, 'f', 1).arg(xyz.y(), 0, 'f', 1).arg(xyz.z(), 0, 'f', 1);
}

/// "longer by 3 mm than its mirror": what is unlike of the two, or nothing.
QString unlike_mirror(const Sides& sides, int joint) {
    for (const JointPair& pair : sides.pairs) {
        if (pair.left != joint && pair.right != joint) {
            continue;
        }
        QStringList unlike;
        const double longer = pair.left == joint ? pair.longer_m : -pair.longer_m;
        if (std::abs(longer) > 1e-4) {
            unlike << QObject::tr("%1 mm %2 than its mirror")
                          .arg(std::abs(longer) * 1000, 0, 'f', 1)
                          .arg(longer > 0 ? QObject::tr("longer") : QObject::tr("shorter"));
        }
        if (pair.apart_m > 1e-4) {
            unlike << QObject::tr("%1 mm from its mirror image").arg(pair.apart_m * 1000, 0, 'f', 1);
        }
        return unlike.isEmpty() ? QObject::tr("the same, within 0.1 mm") : unlike.join(QStringLiteral(", "));
    }
    return {};
}

/// Joint by joint what each would hand on and move, the worst first; nothing for a single one.
QString each_joint(const Scene& scene, std::vector<WeightMove> moves) {
    std::erase_if(moves, [](const WeightMove& move) { return move.points == 0; });
    if (moves.size() < 2) {
        return {};
    }
    std::stable_sort(moves.begin(), moves.end(),
                     [](const WeightMove& a, const WeightMove& b) { return a.largest_mm > b.largest_mm; });
    QString table = QStringLiteral("<table cellspacing='0' cellpadding='2'>");
    table += QStringLiteral("<tr style='color:%1'><td>%2</td><td>%3</td><td align='right'>%4</td><td "
                            "align='right'>%5</td></tr>")
                 .arg(theme().soft.name(), QObject::tr("removed"), QObject::tr("weights then on"),
                      QObject::tr("vertices"), QObject::tr("moved"));
    constexpr size_t most = 8;
    for (size_t i = 0; i < std::min(most, moves.size()); ++i) {
        const WeightMove& move = moves[i];
        table += QStringLiteral("<tr><td style='padding-right:8px'>%1</td><td style='padding-right:8px'>%2</td><td "
                                "align='right' style='padding-right:8px'>%3</td><td align='right'>%4</td></tr>")
                     .arg(QString::fromStdString(scene.nodes[move.joint].name),
                          QString::fromStdString(scene.nodes[move.to].name), grouped(move.points),
                          QObject::tr("%1 mm").arg(move.largest_mm, 0, 'f', 2));
    }
    if (moves.size() > most) {
        table += QStringLiteral("<tr><td colspan='4' style='color:%1'>%2</td></tr>")
                     .arg(theme().soft.name(), QObject::tr("and %1 more, which move less").arg(moves.size() - most));
    }
    return table + QStringLiteral("</table>");
}

} // namespace

JointFacts::JointFacts(Session& session, Selection& selection, QWidget* parent)
    : QFrame(parent), session_(session), selection_(selection) {
    setObjectName(QStringLiteral("card"));
    worker_.setMaxThreadCount(1);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(12, 9, 12, 9);
    column->setSpacing(3);
    title_ = new QLabel(this);
    title_->setObjectName(QStringLiteral("cardTitle"));
    column->addWidget(title_);
    words_ = new QLabel(this);
    words_->setObjectName(QStringLiteral("soft"));
    words_->setWordWrap(true);
    column->addWidget(words_);
    facts_ = new QLabel(this);
    facts_->setObjectName(QStringLiteral("jointFacts"));
    facts_->setTextFormat(Qt::RichText);
    facts_->setWordWrap(true);
    facts_->setTextInteractionFlags(Qt::TextSelectableByMouse | Qt::LinksAccessibleByMouse |
                                    Qt::LinksAccessibleByKeyboard);
    connect(facts_, &QLabel::linkActivated, this, [this](const QString& identity) {
        if (const std::shared_ptr<const SessionState> state = session_.state()) {
            const Scene& prepared = state->replay.prepared();
            const int joint = prepared.find_identity(identity.toLongLong());
            const int mirror = joint < 0 ? -1 : mirror_of(state->prepared.sides, joint);
            if (mirror >= 0) {
                selection_.choose_all({prepared.nodes[mirror].identity, prepared.nodes[joint].identity});
            }
        }
    });
    column->addWidget(facts_);
    column->addStretch(1);
    drop_words_ = new QLabel(this);
    drop_words_->setObjectName(QStringLiteral("dropPreview"));
    drop_words_->setWordWrap(true);
    column->addWidget(drop_words_);
    drop_ = new QPushButton(this);
    drop_->setObjectName(QStringLiteral("dropJoints"));
    drop_->setToolTip(tr("Removes the chosen joints; their weights go to the joint above (Delete)"));
    column->addWidget(drop_, 0, Qt::AlignLeft);
    connect(drop_, &QPushButton::clicked, this, &JointFacts::dropAsked);
    connect(&selection_, &Selection::changed, this, &JointFacts::refresh);
    connect(&session_, &Session::changed, this, &JointFacts::refresh);
    refresh();
}

JointFacts::~JointFacts() {
    ++run_;
    worker_.waitForDone();
}

QString JointFacts::text() const {
    return title_->text() + QLatin1Char('\n') + words_->text() + QLatin1Char('\n') + facts_->text();
}

QString JointFacts::drop_text() const {
    return drop_words_->text();
}

void JointFacts::refresh() {
    ++run_;
    const std::shared_ptr<const SessionState> state = session_.state();
    drop_words_->clear();
    drop_->hide();
    words_->show();
    facts_->clear();
    if (!state || selection_.is_empty()) {
        title_->setText(tr("No joint chosen"));
        words_->setText(
            tr("Choose one on the ladder or in the view: its length, rotation, weights and keys stand here."));
        if (state) {
            show_sides(*state);
        }
        return;
    }
    const Scene& prepared = state->replay.prepared();
    const Scene& received = *state->replay.received;
    const int node = prepared.find_identity(selection_.current());
    const int was = received.find_identity(selection_.current());
    if (node < 0) {
        title_->setText(was < 0 ? tr("No joint chosen") : QString::fromStdString(received.nodes[was].name));
        words_->setText(was < 0 ? QString() : tr("The route card removes it: it is in Received only."));
        return;
    }
    const Node& joint = prepared.nodes[node];
    const std::vector<Mat4> world = rest_world(prepared);
    title_->setText(
        selection_.identities().size() == 1
            ? QString::fromStdString(joint.name)
            : tr("%1, and %2 more").arg(QString::fromStdString(joint.name)).arg(selection_.identities().size() - 1));
    QStringList words;
    words << (was < 0 ? tr("made by a step") : tr("was %1").arg(QString::fromStdString(received.nodes[was].name)));
    const Side side = side_of(joint.name);
    words << (side == Side::left ? tr("left side") : side == Side::right ? tr("right side") : tr("middle"));
    const int mirror = mirror_of(state->prepared.sides, node);
    if (mirror >= 0) {
        words << tr("mirror %1").arg(QString::fromStdString(prepared.nodes[mirror].name));
    }
    words_->setText(words.join(QStringLiteral(" · ")));
    const Vec3 at = point_of(world[node], Vec3::Zero());
    const Holding held = state->prepared.held[node];
    QString table = QStringLiteral("<table cellspacing='0' cellpadding='2'>");
    QStringList below;
    double length = 0;
    for (const int other : joints_of(prepared)) {
        if (prepared.nodes[other].parent == node) {
            below << QString::fromStdString(prepared.nodes[other].name);
            length = std::max(length, (point_of(world[other], Vec3::Zero()) - at).norm());
        }
    }
    table += row(tr("Length"),
                 below.isEmpty() ? tr("end of a chain") : tr("%1 m to the joint below").arg(length, 0, 'f', 3));
    table +=
        row(tr("Position"), tr("%1, %2, %3 m").arg(at.x(), 0, 'f', 3).arg(at.y(), 0, 'f', 3).arg(at.z(), 0, 'f', 3));
    table += row(tr("Rest rotation"), turn_text(joint.rest.rotation));
    const Vec3& scale = joint.rest.scale;
    table += row(tr("Scale"),
                 (scale - Vec3::Ones()).cwiseAbs().maxCoeff() < 1e-5
                     ? tr("1")
                     : tr("%1, %2, %3").arg(scale.x(), 0, 'g', 4).arg(scale.y(), 0, 'g', 4).arg(scale.z(), 0, 'g', 4));
    if (mirror >= 0) {
        table += row(tr("Symmetry"), unlike_mirror(state->prepared.sides, node));
    }
    int clips = 0;
    for (const Clip& clip : prepared.clips) {
        clips += std::any_of(clip.channels.begin(), clip.channels.end(),
                             [&](const Channel& channel) { return channel.node == node; })
                     ? 1
                     : 0;
    }
    table += row(tr("Keyed in"), tr("%1 of %2 clips").arg(clips).arg(prepared.clips.size()));
    table +=
        row(tr("Weight on"),
            held.points == 0 ? tr("nothing")
                             : tr("%1, %2 of them shared").arg(counted(held.points, "vertex"), grouped(held.shared)));
    if (held.points > 0) {
        table += row(tr("Heaviest"), tr("%1 of a vertex").arg(held.heaviest, 0, 'f', 2));
    }
    facts_->setText(table + QStringLiteral("</table>"));
    const auto count = static_cast<int>(selection_.nodes_in(prepared).size());
    drop_->setText(count == 1 ? tr("Remove this joint") : tr("Remove these %1 joints").arg(count));
    drop_->show();
    preview_drop();
}

void JointFacts::show_sides(const SessionState& state) {
    const Scene& scene = state.replay.prepared();
    const Sides& sides = state.prepared.sides;
    std::vector<JointPair> unlike = unlike_pairs(sides, 1e-4);
    if (sides.pairs.empty() && sides.alone.empty()) {
        return;
    }
    QString table = QStringLiteral("<table cellspacing='0' cellpadding='2'>");
    table +=
        row(tr("Sides"),
            unlike.empty()
                ? tr("%1 pairs, all the same within 0.1 mm").arg(sides.pairs.size())
                : tr("%1 pairs, %2 of them unlike by more than 0.1 mm").arg(sides.pairs.size()).arg(unlike.size()));
    constexpr size_t most = 6;
    for (size_t i = 0; i < std::min(most, unlike.size()); ++i) {
        const JointPair& pair = unlike[i];
        const QString link = QStringLiteral("<a href='%1' style='color: %2'>%3</a>")
                                 .arg(scene.nodes[pair.left].identity)
                                 .arg(theme().accent.name(), QString::fromStdString(scene.nodes[pair.left].name));
        table += row(link, std::abs(pair.longer_m) > 1e-4
                               ? tr("%1 mm aside, %2 mm %3")
                                     .arg(pair.apart_m * 1000, 0, 'f', 1)
                                     .arg(std::abs(pair.longer_m) * 1000, 0, 'f', 1)
                                     .arg(pair.longer_m > 0 ? tr("longer") : tr("shorter"))
                               : tr("%1 mm from its mirror image").arg(pair.apart_m * 1000, 0, 'f', 1));
    }
    if (unlike.size() > most) {
        table += row(QString(), tr("and %1 more").arg(unlike.size() - most));
    }
    for (const int joint : sides.alone) {
        table += row(QString::fromStdString(scene.nodes[joint].name), tr("has nothing on the other side"));
    }
    facts_->setText(table + QStringLiteral("</table>"));
}

void JointFacts::preview_drop() {
    const uint64_t run = run_;
    const std::shared_ptr<const SessionState> state = session_.state();
    std::vector<std::string> names;
    for (const int node : selection_.nodes_in(state->replay.prepared())) {
        names.push_back(state->replay.prepared().nodes[node].name);
    }
    drop_words_->setText(tr("Measuring what removing would move…"));
    drop_words_->setStyleSheet(QStringLiteral("font-size: 11px; color: %1;").arg(theme().soft.name()));
    worker_.start([this, run, state, names] {
        const auto stale = [this, run] { return run_ != run; };
        if (stale()) {
            return;
        }
        const Scene& scene = state->replay.prepared();
        RemovalSettings removal;
        removal.names = names;
        const Result<RemovalPlan> plan = plan_removal(scene, removal);
        QString words;
        QString each;
        bool possible = plan.ok();
        if (!plan) {
            words = localized(plan.problem().sentence());
        } else if (plan->weights_to.empty()) {
            words = tr("Removing them moves nothing: they have no weights.");
        } else {
            size_t points = 0;
            WeightMove worst;
            std::vector<WeightMove> moves = measure_weight_moves(scene, plan->weights_to, stale);
            for (const WeightMove& move : moves) {
                points += move.points;
                worst = move.largest_mm >= worst.largest_mm ? move : worst;
            }
            each = each_joint(scene, std::move(moves));
            words = tr("Removing moves the weights of %1, and one of them by at most %2 mm (%3 → %4, %5)")
                        .arg(counted(points, "vertex"))
                        .arg(worst.largest_mm, 0, 'f', 2)
                        .arg(QString::fromStdString(scene.nodes[worst.joint].name),
                             QString::fromStdString(scene.nodes[worst.to].name),
                             worst.clip.empty()
                                 ? tr("rest pose")
                                 : tr("%1, frame %2").arg(QString::fromStdString(worst.clip)).arg(worst.frame));
        }
        if (stale()) {
            return;
        }
        QMetaObject::invokeMethod(
            this,
            [this, run, words, each, possible] {
                if (run_ == run) {
                    if (!each.isEmpty()) {
                        facts_->setText(each);
                    }
                    drop_words_->setText(words);
                    drop_words_->setStyleSheet(QStringLiteral("font-size: 11px; color: %1;")
                                                   .arg((possible ? theme().ink : theme().stop).name()));
                    drop_->setEnabled(possible);
                }
            },
            Qt::QueuedConnection);
    });
}

} // namespace wembrix::app
