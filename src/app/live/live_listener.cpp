#include "live/live_listener.h"

#include "core/delivery/reader_claims.h"
#include "core/live/program_messages.h"

#include <QPointer>
#include <QTimer>
#include <QWebSocket>
#include <algorithm>
#include <cmath>

namespace wembrix::app {

namespace {
constexpr qint64 most_waiting_bytes = 256 * 1024; ///< in the socket, before poses are passed over
constexpr int between_asks_ms = 100;
constexpr size_t joints_asked = 12;
constexpr size_t asks_kept = 16;
} // namespace

bool SentFile::holds() const {
    return state == State::made &&
           std::none_of(claims.begin(), claims.end(), [](const Claim& claim) { return claim.holds_back(); });
}

LiveListener::LiveListener(QWebSocket* socket, ListenerHello hello, std::string destination, QObject* parent)
    : QObject(parent), socket_(socket), hello_(std::move(hello)), destination_(std::move(destination)),
      has_(hello_.has.begin(), hello_.has.end()) {
    socket_->disconnect();
    socket_->setParent(this);
    connect(socket_, &QWebSocket::disconnected, this, &LiveListener::gone);
    connect(socket_, &QWebSocket::textMessageReceived, this, &LiveListener::hear);
    connect(socket_, &QWebSocket::binaryMessageReceived, this, &LiveListener::leave);
}

LiveListener::~LiveListener() {
    socket_->disconnect();
    socket_->abort();
}

void LiveListener::welcome(const std::string& job) {
    socket_->sendTextMessage(QString::fromStdString(welcome_message(job, destination_)));
}

void LiveListener::leave() {
    socket_->close();
    QTimer::singleShot(1000, socket_, [socket = socket_] { socket->abort(); });
}

const SentFile* LiveListener::file(const std::string& deliverable) const {
    const auto found = std::find_if(files_.begin(), files_.end(),
                                    [&](const auto& one) { return one->file.deliverable == deliverable; });
    return found == files_.end() ? nullptr : found->get();
}

bool LiveListener::is_sending() const {
    return std::any_of(files_.begin(), files_.end(),
                       [](const auto& one) { return one->state < SentFile::State::made; });
}

void LiveListener::send(const HandedFile& file) {
    const auto found = std::find_if(files_.begin(), files_.end(),
                                    [&](const auto& one) { return one->file.deliverable == file.deliverable; });
    if (found != files_.end() && (*found)->file.content == file.content) {
        return;
    }
    auto fresh = std::make_unique<SentFile>();
    fresh->file = file;
    if (found == files_.end()) {
        files_.push_back(std::move(fresh));
    } else {
        std::erase_if(numbers_, [&](const auto& one) { return one.second == found->get(); });
        if ((*found)->state == SentFile::State::goes) {
            reading_.close();
        }
        *found = std::move(fresh);
    }
    send_next();
    Q_EMIT changed();
}

void LiveListener::send_next() {
    const bool busy = std::any_of(files_.begin(), files_.end(), [](const auto& one) {
        return one->state == SentFile::State::goes || one->state == SentFile::State::asked;
    });
    const auto next = std::find_if(files_.begin(), files_.end(),
                                   [](const auto& one) { return one->state == SentFile::State::waits; });
    if (busy || next == files_.end()) {
        return;
    }
    SentFile& file = **next;
    LiveFile told;
    told.number = next_number_++;
    told.deliverable = file.file.deliverable;
    told.kind = file.file.kind;
    told.name = file.file.name;
    told.file_name = file.file.file_name;
    told.content = file.file.content;
    told.colour = file.file.colour;
    told.bytes = file.file.bytes;
    numbers_[told.number] = &file;
    since_.start();
    if (has_.count(file.file.content) > 0) {
        // From before the connection was lost: it only says again what it made of it.
        file.state = SentFile::State::asked;
        socket_->sendTextMessage(QString::fromStdString(kept_message(told)));
        return;
    }
    file.state = SentFile::State::goes;
    reading_.close();
    reading_.setFileName(QString::fromStdString(file.file.file.string()));
    if (!reading_.open(QIODevice::ReadOnly)) {
        file.state = SentFile::State::failed;
        file.problem = tr("it cannot be read any more");
        Q_EMIT changed();
        send_next();
        return;
    }
    socket_->sendTextMessage(QString::fromStdString(file_message(told)));
    send_part(file, 0);
}

void LiveListener::send_part(SentFile& file, uint64_t from) {
    reading_.seek(static_cast<qint64>(from));
    const QByteArray part = reading_.read(live_part_bytes);
    file.sent = from + static_cast<uint64_t>(part.size());
    if (file.sent >= file.file.bytes || part.isEmpty()) {
        file.state = SentFile::State::asked;
        reading_.close();
    }
    socket_->sendBinaryMessage(part);
    Q_EMIT changed();
}

SentFile* LiveListener::numbered(uint64_t number) {
    const auto found = numbers_.find(number);
    return found == numbers_.end() ? nullptr : found->second;
}

void LiveListener::hear(const QString& text) {
    const Result<ListenerMessage> message = listener_message(text.toStdString());
    if (!message) {
        socket_->sendTextMessage(QString::fromStdString(refused_message(message.problem().sentence())));
        leave();
        return;
    }
    if (const auto* more = std::get_if<ListenerMore>(&*message)) {
        hear_more(*more);
    } else if (const auto* made = std::get_if<ListenerMade>(&*message)) {
        hear_made(*made);
    } else if (const auto* posed = std::get_if<ListenerPosed>(&*message)) {
        hear_posed(*posed);
    }
}

void LiveListener::hear_more(const ListenerMore& more) {
    SentFile* file = numbered(more.file);
    // Only what comes next: whoever asks for the same again and again is not served.
    if (file != nullptr && file->state == SentFile::State::goes && more.from == file->sent) {
        send_part(*file, more.from);
    }
}

void LiveListener::hear_made(const ListenerMade& made) {
    SentFile* file = numbered(made.file);
    if (file == nullptr || file->state != SentFile::State::asked) {
        return;
    }
    file->seconds = static_cast<double>(since_.elapsed()) / 1000;
    if (!made.problem.empty() || !made.made.is_object()) {
        file->state = SentFile::State::failed;
        file->problem = made.problem.empty() ? tr("it made nothing of it") : QString::fromStdString(made.problem);
    } else {
        file->state = SentFile::State::made;
        file->claims = claims_of_reader(hello_.name, *file->file.as_read, made.made);
        has_.insert(file->file.content);
    }
    Q_EMIT changed();
    send_next();
}

void LiveListener::pose(PosedFile& file, double seconds) {
    const SentFile* model = this->file("model");
    if (!hello_.poses || model == nullptr || model->state != SentFile::State::made ||
        socket_->bytesToWrite() > most_waiting_bytes) {
        return;
    }
    if (!posed_ || !(*posed_ == file.names())) {
        posed_ = file.names();
        socket_->sendTextMessage(QString::fromStdString(joints_message(*posed_)));
    }
    LivePose said = file.at(seconds);
    if (!said.joints.empty() && (!since_ask_.isValid() || since_ask_.elapsed() >= between_asks_ms)) {
        since_ask_.start();
        // Some of those that the model has, spread over the skeleton, others each time.
        std::vector<size_t> there;
        for (size_t j = 0; j < said.joints.size(); ++j) {
            const int node = model->file.as_read->find_node(file.names().joints[j]);
            if (node >= 0 && model->file.as_read->nodes[static_cast<size_t>(node)].kind == NodeKind::joint) {
                there.push_back(j);
            }
        }
        const size_t step = std::max<size_t>(1, there.size() / joints_asked);
        for (size_t j = next_ask_ % step; j < there.size(); j += step) {
            said.about.push_back(there[j]);
        }
        said.ask = next_ask_++;
        asked_.push_back({*said.ask, file.places(said.about)});
        if (asked_.size() > asks_kept) {
            asked_.pop_front();
        }
    }
    socket_->sendTextMessage(QString::fromStdString(pose_message(said)));
    ++poses_sent_;
}

void LiveListener::hear_posed(const ListenerPosed& posed) {
    const auto asked =
        std::find_if(asked_.begin(), asked_.end(), [&](const Asked& one) { return one.number == posed.ask; });
    if (asked == asked_.end()) {
        return;
    }
    double apart = posed.places.size() == asked->places.size() ? 0 : HUGE_VAL;
    for (size_t p = 0; p < std::min(posed.places.size(), asked->places.size()); ++p) {
        const double one = (posed.places[p] - asked->places[p]).norm();
        apart = std::isfinite(one) ? std::max(apart, one) : HUGE_VAL;
    }
    pose_apart_mm_ = apart * 1000;
    ++answers_;
    asked_.erase(asked_.begin(), asked + 1);
    Q_EMIT changed();
}

} // namespace wembrix::app
