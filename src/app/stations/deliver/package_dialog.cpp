#include "stations/deliver/package_dialog.h"
#include "style/language.h"

#include "core/base/files.h"
#include "core/destination/file_kinds.h"
#include "core/job/packed_job.h"
#include "style/mnemonics.h"
#include "style/numbers.h"
#include "style/theme.h"

#include <QDir>
#include <QFileDialog>
#include <QFormLayout>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QLabel>
#include <QLineEdit>
#include <QMetaObject>
#include <QPushButton>
#include <QRadioButton>
#include <QStyle>
#include <QTreeWidget>
#include <QVBoxLayout>

namespace wembrix::app {

namespace {

namespace in {
enum PackageColumn { job, destination, state };
}
constexpr int other_role = Qt::UserRole + 1; ///< the place of another job in the list of them

QString size_words(uintmax_t bytes) {
    return bytes < 1'000'000 ? QObject::tr("%1 kB").arg(static_cast<double>(bytes) / 1e3, 0, 'f', 1)
                             : QObject::tr("%1 MB").arg(static_cast<double>(bytes) / 1e6, 0, 'f', 1);
}

} // namespace

PackageDialog::PackageDialog(Document& document, Session& session, DeliveryRunner& runner, BoardModel& board,
                             std::function<void(const QUrl&)> opener, QWidget* parent)
    : QDialog(parent), document_(document), session_(session), runner_(runner), board_(board),
      opener_(std::move(opener)) {
    setObjectName(QStringLiteral("packageDialog"));
    setWindowTitle(tr("Package"));
    resize(720, 520);
    worker_.setMaxThreadCount(1);
    auto* column = new QVBoxLayout(this);
    auto* why = new QLabel(tr("Copies what was delivered, each file held against its hash, with manifests, pictures, "
                              "report and a list of all. Whoever unpacks it can ask whether it is whole. What lies in "
                              "the folder already stays as it is."),
                           this);
    why->setWordWrap(true);
    why->setObjectName(QStringLiteral("soft"));
    column->addWidget(why);
    tree_ = new QTreeWidget(this);
    tree_->setObjectName(QStringLiteral("packageParts"));
    tree_->setHeaderLabels({tr("Job"), tr("Destination"), tr("What there is")});
    tree_->setRootIsDecorated(false);
    tree_->setColumnWidth(in::job, 220);
    tree_->setColumnWidth(in::destination, 190);
    column->addWidget(tree_, 1);
    auto* beside = new QHBoxLayout;
    auto* add = new QPushButton(tr("Another variant…"), this);
    add->setObjectName(QStringLiteral("packageAdd"));
    add->setToolTip(tr("Another job, of the same family or not: all that it delivers goes in"));
    beside->addWidget(add);
    remove_ = new QPushButton(tr("Take it out"), this);
    remove_->setObjectName(QStringLiteral("packageRemove"));
    beside->addWidget(remove_);
    beside->addStretch(1);
    column->addLayout(beside);
    auto* form = new QFormLayout;
    name_ = new QLineEdit(this);
    name_->setObjectName(QStringLiteral("packageName"));
    form->addRow(tr("Name"), name_);
    auto* kind = new QHBoxLayout;
    archive_ = new QRadioButton(tr("One archive (.zip)"), this);
    archive_->setObjectName(QStringLiteral("packageArchive"));
    archive_->setChecked(true);
    folder_ = new QRadioButton(tr("A folder"), this);
    folder_->setObjectName(QStringLiteral("packageFolder"));
    kind->addWidget(archive_);
    kind->addWidget(folder_);
    kind->addStretch(1);
    form->addRow(tr("As"), kind);
    auto* place = new QHBoxLayout;
    into_ = new QLineEdit(QString::fromStdString((document_.folder() / "packages").string()), this);
    into_->setObjectName(QStringLiteral("packageInto"));
    place->addWidget(into_, 1);
    auto* choose = new QPushButton(tr("Choose…"), this);
    choose->setObjectName(QStringLiteral("packageChoose"));
    place->addWidget(choose);
    form->addRow(tr("Into"), place);
    license_ = new QLineEdit(this);
    license_->setObjectName(QStringLiteral("packageLicense"));
    license_->setPlaceholderText(tr("for all of it; empty: as each job says"));
    form->addRow(tr("License"), license_);
    credits_ = new QLineEdit(this);
    credits_->setObjectName(QStringLiteral("packageCredits"));
    credits_->setPlaceholderText(tr("for all of it; empty: as each job says"));
    form->addRow(tr("Credits"), credits_);
    column->addLayout(form);
    said_ = new QLabel(this);
    said_->setObjectName(QStringLiteral("packageSaid"));
    said_->setWordWrap(true);
    said_->setTextFormat(Qt::PlainText);
    said_->setTextInteractionFlags(Qt::TextSelectableByMouse);
    column->addWidget(said_);
    auto* row = new QHBoxLayout;
    show_ = new QPushButton(tr("Show it"), this);
    show_->setObjectName(QStringLiteral("packageShow"));
    show_->setToolTip(tr("Opens the folder that it lies in"));
    row->addWidget(show_);
    row->addStretch(1);
    stop_ = new QPushButton(tr("Stop"), this);
    stop_->setObjectName(QStringLiteral("packageStop"));
    row->addWidget(stop_);
    make_ = new QPushButton(tr("Make the package"), this);
    make_->setObjectName(QStringLiteral("go"));
    make_->style()->polish(make_);
    make_->setDefault(true);
    row->addWidget(make_);
    auto* close = new QPushButton(tr("Close"), this);
    row->addWidget(close);
    column->addLayout(row);
    connect(close, &QPushButton::clicked, this, &QDialog::close);
    connect(add, &QPushButton::clicked, this, [this] {
        const QStringList files =
            QFileDialog::getOpenFileNames(this, tr("Jobs whose deliveries go in, too"),
                                          QString::fromStdString(document_.folder().string()), tr("Jobs (*.wembrix)"));
        for (const QString& file : files) {
            add_job(file);
        }
    });
    connect(remove_, &QPushButton::clicked, this, [this] {
        if (const QTreeWidgetItem* item = tree_->currentItem()) {
            if (const QVariant other = item->data(in::job, other_role); other.isValid()) {
                others_.erase(others_.begin() + other.toInt());
                list();
            }
        }
    });
    connect(choose, &QPushButton::clicked, this, [this] {
        const QString folder = QFileDialog::getExistingDirectory(this, tr("The folder that it comes into"));
        if (!folder.isEmpty()) {
            into_->setText(folder);
        }
    });
    connect(tree_, &QTreeWidget::itemChanged, this, [this](const QTreeWidgetItem* item) {
        const std::string name = item->text(in::destination).toStdString();
        if (!item->data(in::job, other_role).isValid() && (item->flags() & Qt::ItemIsUserCheckable) != 0) {
            item->checkState(in::job) == Qt::Checked ? void(left_out_.erase(name)) : void(left_out_.insert(name));
            refresh();
        }
    });
    connect(tree_, &QTreeWidget::currentItemChanged, this, &PackageDialog::refresh);
    connect(into_, &QLineEdit::textChanged, this, &PackageDialog::refresh);
    connect(name_, &QLineEdit::textChanged, this, &PackageDialog::refresh);
    connect(show_, &QPushButton::clicked, this,
            [this] { opener_(QUrl::fromLocalFile(QString::fromStdString(made_.parent_path().string()))); });
    connect(stop_, &QPushButton::clicked, this, [this] { stopped_ = true; });
    connect(make_, &QPushButton::clicked, this, &PackageDialog::make);
    connect(&board_, &QAbstractItemModel::modelReset, this, &PackageDialog::list);
    list();
    give_mnemonics(*this);
}

PackageDialog::~PackageDialog() {
    stopped_ = true;
    worker_.waitForDone();
}

void PackageDialog::add_job(const QString& file) {
    const std::filesystem::path path = std::filesystem::path(file.toStdString()).lexically_normal();
    if (path != document_.path().toStdString() && std::find(others_.begin(), others_.end(), path) == others_.end()) {
        others_.push_back(path);
        list();
    }
}

void PackageDialog::list() {
    const QSignalBlocker quiet(tree_);
    tree_->clear();
    const Origin& origin = document_.job().origin;
    name_->setPlaceholderText(
        QString::fromStdString(file_name_safe(origin.family.empty() ? document_.job().name : origin.family)));
    for (const Destination& destination : document_.job().destinations) {
        size_t arrived = 0;
        size_t all = 0;
        for (const BoardModel::Row& row : board_.table().rows) {
            for (const BoardEntry& cell : row.cells) {
                if (cell.planned && cell.key.first == destination.name) {
                    ++all;
                    arrived += cell.state == CellState::arrived ? 1 : 0;
                }
            }
        }
        auto* item = new QTreeWidgetItem(
            tree_, {QString::fromStdString(document_.job().name), QString::fromStdString(destination.name)});
        const bool ready = all > 0 && arrived == all;
        item->setFlags(ready ? Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsUserCheckable
                             : Qt::ItemIsSelectable | Qt::ItemIsEnabled);
        item->setText(in::state, ready      ? tr("%1 arrived").arg(counted(all, "file"))
                                 : all == 0 ? tr("nothing to deliver")
                                            : tr("%1 of %2 not up to date: deliver first").arg(all - arrived).arg(all));
        item->setForeground(in::state, ready ? theme().well : theme().note);
        if (ready) {
            item->setCheckState(in::job, left_out_.contains(destination.name) ? Qt::Unchecked : Qt::Checked);
        }
    }
    for (size_t i = 0; i < others_.size(); ++i) {
        auto* item = new QTreeWidgetItem(tree_, {QString::fromStdString(others_[i].stem().string()), tr("all"),
                                                 tr("looked at when the package is made")});
        item->setData(in::job, other_role, static_cast<int>(i));
        item->setToolTip(in::job, QString::fromStdString(others_[i].string()));
        item->setForeground(in::state, theme().soft);
    }
    refresh();
}

std::set<std::string> PackageDialog::chosen() const {
    std::set<std::string> names;
    for (int r = 0; r < tree_->topLevelItemCount(); ++r) {
        const QTreeWidgetItem* item = tree_->topLevelItem(r);
        if ((item->flags() & Qt::ItemIsUserCheckable) != 0 && item->checkState(in::job) == Qt::Checked) {
            names.insert(item->text(in::destination).toStdString());
        }
    }
    return names;
}

void PackageDialog::refresh() {
    const QTreeWidgetItem* item = tree_->currentItem();
    remove_->setEnabled(!at_work_ && item != nullptr && item->data(in::job, other_role).isValid());
    make_->setVisible(!at_work_);
    stop_->setVisible(at_work_);
    make_->setEnabled(session_.state() != nullptr && !runner_.is_running() && !into_->text().trimmed().isEmpty() &&
                      (!chosen().empty() || !others_.empty()));
    show_->setVisible(!made_.empty());
}

void PackageDialog::make() {
    const std::shared_ptr<const SessionState> state = session_.state();
    if (at_work_ || !state) {
        return;
    }
    at_work_ = true;
    stopped_ = false;
    made_.clear();
    said_->setStyleSheet(QStringLiteral("color: %1;").arg(theme().soft.name()));
    said_->setText(tr("Copying, and holding each file against its hash…"));
    PackageRequest request;
    request.name = name_->text().trimmed().toStdString();
    request.license = license_->text().trimmed().toStdString();
    request.credits = credits_->text().trimmed().toStdString();
    request.into = into_->text().trimmed().toStdString();
    request.archive = archive_->isChecked();
    request.stop = [this] { return stopped_.load(); };
    worker_.start([this, state, request, job = document_.job(), folder = document_.folder(), destinations = chosen(),
                   others = others_]() mutable {
        const auto done = [this](Made made) {
            QMetaObject::invokeMethod(
                this, [this, made = std::move(made)] { show_made(made); }, Qt::QueuedConnection);
        };
        const auto pack = [&](Result<PackedVariant> variant) {
            if (!variant) {
                done({localized(variant.problem().sentence()), {}, false});
                return false;
            }
            request.variants.push_back(variant.take());
            return true;
        };
        if (!destinations.empty() &&
            !pack(packed_variant(job, folder, *state->sources, state->replay.prepared(), destinations))) {
            return;
        }
        for (const std::filesystem::path& other : others) {
            if (stopped_) {
                done({tr("Stopped: nothing was made."), {}, false});
                return;
            }
            if (!pack(packed_variant(other))) {
                return;
            }
        }
        QDir().mkpath(QString::fromStdString(request.into.string()));
        const Result<Package> made = write_package(request);
        if (!made) {
            done({localized(made.problem().sentence()), {}, false});
            return;
        }
        // What arrived is what was packed: read where it lies now.
        const Result<PackageCheck> check = check_package(made->path);
        const bool whole = check && check->is_whole();
        done({tr("%1: %2, %3, %4")
                  .arg(QString::fromStdString(made->path.string()), counted(made->files, "file"),
                       size_words(made->bytes),
                       whole   ? tr("read back whole")
                       : check ? tr("not whole: %1").arg(QString::fromStdString(check->damaged.front()))
                               : localized(check.problem().sentence())),
              made->path, whole});
    });
    refresh();
}

void PackageDialog::show_made(const Made& made) {
    at_work_ = false;
    made_ = made.path;
    said_->setText(made.words);
    said_->setStyleSheet(QStringLiteral("color: %1;").arg((made.whole ? theme().well : theme().stop).name()));
    refresh();
}

} // namespace wembrix::app
