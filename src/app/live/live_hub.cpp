#include "live/live_hub.h"
#include "style/language.h"

#include "core/job/card_findings.h"

#include <QTimer>
#include <QWebSocket>
#include <algorithm>
#include <span>

namespace wembrix::app {

namespace {
constexpr size_t most_listeners = 16;
constexpr int after_change_ms = 800;
} // namespace

LiveHub::LiveHub(Document& document, Session& session, Clock& clock, DeliveryRunner& runner, QObject* parent)
    : QObject(parent), document_(document), session_(session), clock_(clock), runner_(runner) {
    worker_.setMaxThreadCount(1);
    soon_.setSingleShot(true);
    soon_.setInterval(after_change_ms);
    connect(&soon_, &QTimer::timeout, this, &LiveHub::hand_over_now);
    connect(&server_, &LiveServer::joined, this, &LiveHub::join);
    connect(&server_, &LiveServer::changed, this, &LiveHub::changed);
    connect(&session_, &Session::changed, this, [this] {
        if (follows_ && !listeners_.empty()) {
            soon_.start();
        }
    });
    connect(&clock_, &Clock::moved, this, &LiveHub::send_poses);
    connect(&document_, &Document::opened, this, [this] {
        made_.clear(); // of another job, perhaps: whoever comes now gets none of it
        ++job_;
        Q_EMIT changed();
    });
}

LiveHub::~LiveHub() {
    stop_ = true;
    worker_.waitForDone();
    for (const auto& listener : listeners_) {
        listener->disconnect(this);
    }
    server_.disconnect(this);
}

void LiveHub::set_open(bool open) {
    if (open) {
        server_.open();
    } else {
        server_.close();
        for (const auto& listener : listeners_) {
            listener->leave();
        }
    }
    Q_EMIT changed();
}

void LiveHub::set_follows(bool follows) {
    follows_ = follows;
    if (follows && !listeners_.empty()) {
        soon_.start();
    }
}

QStringList LiveHub::held() const {
    QStringList all;
    for (const auto& [destination, made] : made_) {
        for (const QString& line : made.held) {
            all << QString::fromStdString(destination) + QStringLiteral(" · ") + line;
        }
    }
    return all;
}

void LiveHub::join(QWebSocket* socket, const ListenerHello& hello) {
    const auto turn_away = [&](const QString& why) { server_.turn_away(socket, why); };
    if (listeners_.size() >= most_listeners) {
        turn_away(tr("%1 listeners are here already").arg(most_listeners));
        return;
    }
    const std::vector<Destination>& all = document_.job().destinations;
    if (all.empty()) {
        turn_away(tr("the job has no destination"));
        return;
    }
    const std::string& asked = hello.destination.empty() ? chosen_ : hello.destination;
    auto found = std::find_if(all.begin(), all.end(), [&](const Destination& one) { return one.name == asked; });
    if (found == all.end() && hello.destination.empty()) {
        found = all.begin();
    }
    if (found == all.end()) {
        QStringList names;
        for (const Destination& one : all) {
            names << QString::fromStdString(one.name);
        }
        turn_away(tr("the job has no destination “%1”; it has %2")
                      .arg(QString::fromStdString(asked), names.join(QStringLiteral(", "))));
        return;
    }
    listeners_.push_back(std::make_unique<LiveListener>(socket, hello, found->name));
    LiveListener* listener = listeners_.back().get();
    connect(listener, &LiveListener::changed, this, &LiveHub::changed);
    connect(
        listener, &LiveListener::gone, this,
        [this, listener] {
            const auto at = std::find_if(listeners_.begin(), listeners_.end(),
                                         [&](const auto& one) { return one.get() == listener; });
            if (at != listeners_.end()) {
                at->release()->deleteLater(); // it is the one that says so
                listeners_.erase(at);
                Q_EMIT changed();
            }
        },
        Qt::QueuedConnection);
    listener->welcome(document_.job().name);
    send_all(*listener);
    make_for(listener->destination());
    Q_EMIT changed();
}

void LiveHub::hand_over_now() {
    std::set<std::string> wanted;
    for (const auto& listener : listeners_) {
        wanted.insert(listener->destination());
    }
    for (const std::string& destination : wanted) {
        make_for(destination);
    }
}

void LiveHub::make_for(const std::string& destination) {
    const std::shared_ptr<const SessionState> state = session_.state();
    const std::vector<Destination>& all = document_.job().destinations;
    const auto found =
        std::find_if(all.begin(), all.end(), [&](const Destination& one) { return one.name == destination; });
    if (!state || found == all.end()) {
        return;
    }
    if (!folder_) {
        folder_ = std::make_unique<OwnFolder>(std::filesystem::temp_directory_path(), "wembrix-live-");
    }
    HandOverRequest request;
    request.delivery = *runner_.request_for(*found);
    // A folder each time: what a listener is being sent from an earlier one stays readable.
    request.delivery.folder = folder_->path() / std::to_string(next_folder_++);
    std::set<std::string> takes;
    for (const auto& listener : listeners_) {
        if (listener->destination() == destination) {
            const std::vector<std::string>& own = listener->hello().takes;
            takes.insert(own.begin(), own.end());
            if (own.empty()) {
                takes.insert({"model", "clip"});
            }
        }
    }
    request.takes.assign(takes.begin(), takes.end());
    for (const auto& [id, file] : made_[destination].files) {
        request.has.insert(file.content);
    }
    ++making_;
    worker_.start([this, state, request = std::move(request), destination, job = job_]() mutable {
        Replay measured = state->replay;
        measure_kept_motion(measured, [this] { return stop_.load(); });
        request.delivery.card_findings = card_findings(measured, std::span(&request.delivery.destination, 1));
        request.delivery.prepared = &state->replay.prepared();
        request.delivery.stop = [this] { return stop_.load(); };
        Result<HandOver> made = hand_over(request);
        const QString problem = made ? QString() : localized(made.problem().sentence());
        QMetaObject::invokeMethod(
            this,
            [this, destination, problem, job, out = made ? made.take() : HandOver()] {
                --making_;
                if (job == job_) {
                    keep(destination, out, problem);
                }
                Q_EMIT changed();
            },
            Qt::QueuedConnection);
    });
    Q_EMIT changed();
}

void LiveHub::keep(const std::string& destination, HandOver made, const QString& problem) {
    Made& now = made_[destination];
    now.held.clear();
    if (!problem.isEmpty()) {
        now.held << problem;
    } else {
        for (const Text& line : made.held) {
            now.held << localized(line);
        }
        // What is no longer in the job is not handed to the next one that comes.
        const std::set<std::string> there(made.contents.begin(), made.contents.end());
        std::erase_if(now.files, [&](const auto& one) { return there.count(one.second.content) == 0; });
        for (const HandedFile& file : made.files) {
            now.files[file.deliverable] = file;
        }
        now.order.clear();
        for (const std::string& content : made.contents) {
            for (const auto& [id, file] : now.files) {
                if (file.content == content) {
                    now.order.push_back(id);
                }
            }
        }
        now.posed.clear();
    }
    for (const auto& listener : listeners_) {
        if (listener->destination() == destination) {
            send_all(*listener);
        }
    }
    sweep();
    send_poses();
    Q_EMIT changed();
}

void LiveHub::sweep() {
    if (making_ > 0) {
        return;
    }
    std::set<std::filesystem::path> kept;
    const auto keep_folder_of = [&](const HandedFile& file) {
        kept.insert(folder_->path() / *file.file.lexically_relative(folder_->path()).begin());
    };
    for (const auto& [destination, made] : made_) {
        for (const auto& [id, file] : made.files) {
            keep_folder_of(file);
        }
    }
    for (const auto& listener : listeners_) {
        for (const auto& file : listener->files()) {
            if (file->state < SentFile::State::made) {
                keep_folder_of(file->file);
            }
        }
    }
    std::error_code error;
    for (const auto& entry : std::filesystem::directory_iterator(folder_->path(), error)) {
        if (kept.count(entry.path()) == 0) {
            std::filesystem::remove_all(entry.path(), error);
        }
    }
}

void LiveHub::send_all(LiveListener& listener) {
    const Made& made = made_[listener.destination()];
    for (const std::string& id : made.order) {
        const HandedFile& file = made.files.at(id);
        const std::vector<std::string>& takes = listener.hello().takes;
        const bool taken = takes.empty() ? file.kind == "model" || file.kind == "clip"
                                         : std::find(takes.begin(), takes.end(), file.kind) != takes.end();
        if (taken) {
            listener.send(file);
        }
    }
}

QString LiveHub::why_no_pose(const std::string& destination) const {
    const auto made = made_.find(destination);
    if (made == made_.end() || clock_.clip().isEmpty()) {
        return clock_.still() == Clock::Still::rest ? QString() : tr("only the rest pose and clips are posed");
    }
    return made->second.files.count("clip:" + clock_.clip().toStdString()) > 0
               ? QString()
               : tr("“%1” is not handed over").arg(clock_.clip());
}

void LiveHub::send_poses() {
    for (const auto& listener : listeners_) {
        Made& made = made_[listener->destination()];
        if (clock_.clip().isEmpty() && clock_.still() != Clock::Still::rest) {
            continue;
        }
        const std::string id = clock_.clip().isEmpty() ? "model" : "clip:" + clock_.clip().toStdString();
        const auto file = made.files.find(id);
        if (file == made.files.end()) {
            continue;
        }
        std::unique_ptr<PosedFile>& posed = made.posed[id];
        if (!posed) {
            posed = std::make_unique<PosedFile>(file->second.as_read);
        }
        listener->pose(*posed, clock_.seconds());
    }
}

const SentFile* LiveHub::answer(const CellKey& cell, const std::string& content) const {
    for (auto listener = listeners_.rbegin(); listener != listeners_.rend(); ++listener) {
        const SentFile* file = (*listener)->destination() == cell.first ? (*listener)->file(cell.second) : nullptr;
        if (file != nullptr && file->file.content == content && file->state >= SentFile::State::made) {
            return file;
        }
    }
    return nullptr;
}

} // namespace wembrix::app
