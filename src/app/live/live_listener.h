// One listener of the live hand-over: what it was sent, what it made of it, where it has the joints.
#pragma once

#include "core/live/hand_over.h"
#include "core/live/listener_messages.h"
#include "core/live/posed_file.h"
#include "core/measure/comparison/claim.h"

#include <QByteArray>
#include <QElapsedTimer>
#include <QFile>
#include <QObject>
#include <deque>
#include <map>
#include <memory>
#include <optional>
#include <set>

class QWebSocket;

namespace wembrix::app {

/// A file as one listener has it.
struct SentFile {
    enum class State { waits, goes, asked, made, failed };
    HandedFile file;
    State state = State::waits;
    uint64_t sent = 0;         ///< bytes
    double seconds = 0;        ///< from its first byte to the answer
    std::vector<Claim> claims; ///< what it says, held against the file
    QString problem;           ///< why it made nothing of it
    [[nodiscard]] bool holds() const;
};

class LiveListener : public QObject {
    Q_OBJECT
  public:
    /// Takes the socket.
    LiveListener(QWebSocket* socket, ListenerHello hello, std::string destination, QObject* parent = nullptr);
    ~LiveListener() override;

    [[nodiscard]] QString name() const { return QString::fromStdString(hello_.name); }
    [[nodiscard]] QString project() const { return QString::fromStdString(hello_.project); }
    [[nodiscard]] const ListenerHello& hello() const { return hello_; }
    [[nodiscard]] const std::string& destination() const { return destination_; }
    /// By deliverable, in the order in which they came.
    [[nodiscard]] const std::vector<std::unique_ptr<SentFile>>& files() const { return files_; }
    [[nodiscard]] const SentFile* file(const std::string& deliverable) const;
    [[nodiscard]] bool is_sending() const;
    /// How far its joints were from where they should be, at the last pose that asked, in mm; nothing: not known yet.
    [[nodiscard]] std::optional<double> pose_apart_mm() const { return pose_apart_mm_; }
    [[nodiscard]] int poses_sent() const { return poses_sent_; }
    /// How many poses it has said its joints' places of.
    [[nodiscard]] int answers() const { return answers_; }

    void welcome(const std::string& job);
    /// Goes out when those before it are answered; one that it has with that content is passed over.
    void send(const HandedFile& file);
    /// The pose of that file at a moment; passed over while it cannot keep up.
    void pose(PosedFile& file, double seconds);
    void leave();

  Q_SIGNALS:
    void changed();
    void gone();

  private:
    void hear(const QString& text);
    void hear_more(const ListenerMore& more);
    void hear_made(const ListenerMade& made);
    void hear_posed(const ListenerPosed& posed);
    void send_next();
    void send_part(SentFile& file, uint64_t from);
    SentFile* numbered(uint64_t number);

    struct Asked {
        uint64_t number = 0;
        std::vector<Vec3> places;
    };

    QWebSocket* socket_;
    ListenerHello hello_;
    std::string destination_;
    std::vector<std::unique_ptr<SentFile>> files_;
    std::map<uint64_t, SentFile*> numbers_;
    std::set<std::string> has_; ///< contents
    uint64_t next_number_ = 1;
    QElapsedTimer since_;
    QFile reading_;
    std::optional<PosedNames> posed_; ///< what it was told that poses are of
    std::deque<Asked> asked_;
    uint64_t next_ask_ = 1;
    QElapsedTimer since_ask_;
    std::optional<double> pose_apart_mm_;
    int poses_sent_ = 0;
    int answers_ = 0;
};

} // namespace wembrix::app
