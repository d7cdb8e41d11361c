#include "stations/deliver/live_window.h"
#include "style/language.h"

#include "live/live_hub.h"
#include "style/numbers.h"
#include "style/theme.h"

#include <QCheckBox>
#include <QDir>
#include <QFileDialog>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QLabel>
#include <QPushButton>
#include <QTreeWidget>
#include <QVBoxLayout>

namespace wembrix::app {

namespace {

namespace at {
enum LiveColumn { who, destination, size, took, says };
}
constexpr double pose_limit_mm = 0.1;

QString megabytes(uintmax_t bytes) {
    return bytes < 1'000'000 ? QObject::tr("%1 kB").arg(static_cast<double>(bytes) / 1e3, 0, 'f', 0)
                             : QObject::tr("%1 MB").arg(static_cast<double>(bytes) / 1e6, 0, 'f', 1);
}

QString words_of(const SentFile& file) {
    switch (file.state) {
    case SentFile::State::waits:
        return QObject::tr("waits");
    case SentFile::State::goes:
        return QObject::tr("%1 % sent").arg(100 * file.sent / std::max<uintmax_t>(1, file.file.bytes));
    case SentFile::State::asked:
        return QObject::tr("sent; no answer yet");
    case SentFile::State::failed:
        return file.problem;
    case SentFile::State::made:
        break;
    }
    QStringList said;
    for (const Claim& claim : file.claims) {
        said << localized(claim.pass ? claim.actual : claim.actual + ": " + claim.detail);
    }
    return said.join(QStringLiteral(" · "));
}

QString claims_in_full(const SentFile& file) {
    QStringList lines;
    for (const Claim& claim : file.claims) {
        lines << QStringLiteral("%1 %2: %3 → %4 %5")
                     .arg(claim.pass ? QStringLiteral("✓") : QStringLiteral("✗"), localized(claim.name),
                          localized(claim.expected), localized(claim.actual), localized(claim.detail));
    }
    return lines.join(QLatin1Char('\n'));
}

QString pose_words(const LiveHub& hub, const LiveListener& listener) {
    if (!listener.hello().poses) {
        return QObject::tr("takes no poses");
    }
    const QString why = hub.why_no_pose(listener.destination());
    if (!why.isEmpty()) {
        return why;
    }
    if (!listener.pose_apart_mm()) {
        return listener.poses_sent() > 0 ? QObject::tr("follows the pose; has not said where its joints are")
                                         : QObject::tr("no pose sent yet");
    }
    return *listener.pose_apart_mm() > 1e6
               ? QObject::tr("follows the pose, and misses joints of it")
               : QObject::tr("follows the pose, at most %1 mm apart").arg(*listener.pose_apart_mm(), 0, 'f', 3);
}

} // namespace

LiveWindow::LiveWindow(LiveHub& hub, std::function<void(const QUrl&)> opener, QWidget* parent)
    : QDialog(parent), hub_(hub), opener_(std::move(opener)) {
    setObjectName(QStringLiteral("liveWindow"));
    setWindowTitle(tr("Live hand-over"));
    resize(980, 460);
    auto* column = new QVBoxLayout(this);
    auto* top = new QHBoxLayout;
    state_ = new QLabel(this);
    state_->setObjectName(QStringLiteral("liveState"));
    state_->setStyleSheet(QStringLiteral("font-weight: 600;"));
    state_->setTextInteractionFlags(Qt::TextSelectableByMouse);
    top->addWidget(state_, 1);
    listen_ = new QPushButton(this);
    listen_->setObjectName(QStringLiteral("liveListen"));
    top->addWidget(listen_);
    column->addLayout(top);
    tree_ = new QTreeWidget(this);
    tree_->setObjectName(QStringLiteral("liveListeners"));
    tree_->setHeaderLabels({tr("Listener and file"), tr("Destination"), tr("Size"), tr("Took"), tr("What it says")});
    tree_->setSelectionMode(QAbstractItemView::NoSelection);
    tree_->header()->setStretchLastSection(true);
    tree_->setColumnWidth(at::who, 240);
    tree_->setColumnWidth(at::destination, 140);
    tree_->setColumnWidth(at::size, 70);
    tree_->setColumnWidth(at::took, 60);
    column->addWidget(tree_, 1);
    nobody_ = new QLabel(this);
    nobody_->setObjectName(QStringLiteral("liveNobody"));
    nobody_->setWordWrap(true);
    nobody_->setAlignment(Qt::AlignCenter);
    nobody_->setMinimumHeight(200);
    nobody_->setStyleSheet(QStringLiteral("color: %1;").arg(theme().soft.name()));
    column->addWidget(nobody_, 1);
    said_ = new QLabel(this);
    said_->setObjectName(QStringLiteral("liveSaid"));
    said_->setWordWrap(true);
    said_->setTextFormat(Qt::PlainText);
    said_->setStyleSheet(QStringLiteral("color: %1;").arg(theme().stop.name()));
    column->addWidget(said_);
    auto* row = new QHBoxLayout;
    now_ = new QPushButton(tr("Hand over now"), this);
    now_->setObjectName(QStringLiteral("liveNow"));
    now_->setToolTip(tr("Makes what has changed anew, checks it, and hands it to all listeners"));
    row->addWidget(now_);
    follows_ = new QCheckBox(tr("After each change"), this);
    follows_->setObjectName(QStringLiteral("liveFollows"));
    follows_->setToolTip(tr("A moment after each change of the job, without being asked"));
    follows_->setChecked(hub_.follows());
    row->addWidget(follows_);
    row->addStretch(1);
    page_ = new QPushButton(tr("Open the web page"), this);
    page_->setObjectName(QStringLiteral("livePage"));
    row->addWidget(page_);
    addon_ = new QPushButton(tr("Godot 3 add-on…"), this);
    addon_->setObjectName(QStringLiteral("liveAddon"));
    addon_->setToolTip(tr("Puts the add-on that listens into a project of that engine; switch it on in the project's "
                          "settings there"));
    row->addWidget(addon_);
    auto* close = new QPushButton(tr("Close"), this);
    row->addWidget(close);
    column->addLayout(row);
    connect(close, &QPushButton::clicked, this, &QDialog::close);
    connect(listen_, &QPushButton::clicked, this, [this] { hub_.set_open(!hub_.is_open()); });
    connect(now_, &QPushButton::clicked, &hub_, &LiveHub::hand_over_now);
    connect(follows_, &QCheckBox::toggled, &hub_, &LiveHub::set_follows);
    connect(page_, &QPushButton::clicked, this, [this] { opener_(hub_.server().page()); });
    connect(addon_, &QPushButton::clicked, this, [this] {
        const QString folder = QFileDialog::getExistingDirectory(this, tr("The folder of the engine's project"));
        if (!folder.isEmpty()) {
            const QString problem = put_addon(folder);
            said_->setText(problem.isEmpty() ? tr("The add-on is in %1/addons/wembrix_live. Switch it on in the "
                                                  "project's settings, under Plugins.")
                                                   .arg(folder)
                                             : problem);
        }
    });
    connect(&hub_, &LiveHub::changed, this, &LiveWindow::refresh);
    refresh();
}

QString LiveWindow::put_addon(const QString& project_folder) {
    const QDir project(project_folder);
    if (!project.exists(QStringLiteral("project.godot"))) {
        return tr("%1 holds no project of that engine: it has no file project.godot.").arg(project_folder);
    }
    const QString folder = project.filePath(QStringLiteral("addons/wembrix_live"));
    for (const char* name : {"plugin.cfg", "plugin.gd"}) {
        QFile from(QStringLiteral(":/addon/") + QString::fromLatin1(name));
        QFile to(folder + QLatin1Char('/') + QString::fromLatin1(name));
        if (!QDir().mkpath(folder) || !from.open(QIODevice::ReadOnly) || !to.open(QIODevice::WriteOnly) ||
            to.write(from.readAll()) < 0 || !to.flush()) {
            return tr("%1 cannot be written.").arg(to.fileName());
        }
    }
    return {};
}

void LiveWindow::refresh() {
    const LiveServer& server = hub_.server();
    const bool open = hub_.is_open();
    const auto count = hub_.listeners().size();
    state_->setText(!open ? tr("Nothing listens: no engine can ask for this job.")
                          : tr("Open on this machine alone, at 127.0.0.1:%1 · %2")
                                .arg(server.port())
                                .arg(counted(count, "listener")));
    listen_->setText(open ? tr("Close it") : tr("Open it"));
    now_->setEnabled(open && count > 0 && !hub_.is_making());
    now_->setText(hub_.is_making() ? tr("Making files…") : tr("Hand over now"));
    page_->setEnabled(open && LiveServer::has_page());
    page_->setToolTip(LiveServer::has_page()
                          ? tr("A page of this program's own, in a browser: it shows the model, says what it made of "
                               "it, and follows the pose")
                          : tr("This build has no page: npm was not there when it was made"));
    tree_->setVisible(count > 0);
    nobody_->setVisible(count == 0);
    nobody_->setText(open ? tr("Nobody is here yet. Open the web page, or the engine's project with the add-on: it "
                               "finds this window by itself.")
                          : tr("An engine or a page that is open on this machine gets the model and its clips as they "
                               "would be delivered, says what it made of them, and follows the pose while you scrub. "
                               "Nothing leaves this machine."));
    QStringList wrong = hub_.held();
    if (!server.problem().isEmpty()) {
        wrong << server.problem();
    }
    if (server.refused() > 0) {
        wrong << tr("Turned away: %1 (%2)")
                     .arg(grouped(static_cast<qulonglong>(server.refused())), server.last_refusal());
    }
    said_->setText(wrong.join(QLatin1Char('\n')));
    said_->setVisible(!wrong.isEmpty());
    tree_->clear();
    for (const auto& listener : hub_.listeners()) {
        auto* top = new QTreeWidgetItem(tree_);
        top->setText(at::who, listener->project().isEmpty()
                                  ? listener->name()
                                  : listener->name() + QStringLiteral(" · ") + listener->project());
        top->setText(at::destination, QString::fromStdString(listener->destination()));
        top->setText(at::says, pose_words(hub_, *listener));
        top->setForeground(at::says,
                           listener->pose_apart_mm().value_or(0) > pose_limit_mm ? theme().stop : theme().soft);
        for (const auto& file : listener->files()) {
            auto* row = new QTreeWidgetItem(top);
            row->setText(at::who,
                         QString::fromStdString(file->file.name.empty() ? file->file.deliverable : file->file.name));
            row->setText(at::size, megabytes(file->file.bytes));
            row->setText(at::took,
                         file->state < SentFile::State::made ? QString() : tr("%1 s").arg(file->seconds, 0, 'f', 1));
            const bool wrong_one =
                file->state == SentFile::State::failed || (file->state == SentFile::State::made && !file->holds());
            row->setText(at::says, (file->state == SentFile::State::made
                                        ? (wrong_one ? QStringLiteral("✗ ") : QStringLiteral("✓ "))
                                        : QString()) +
                                       words_of(*file));
            row->setToolTip(at::says, file->claims.empty() ? file->problem : claims_in_full(*file));
            row->setForeground(at::says, wrong_one                              ? theme().stop
                                         : file->state == SentFile::State::made ? theme().well
                                                                                : theme().soft);
        }
        top->setExpanded(true);
    }
}

} // namespace wembrix::app
