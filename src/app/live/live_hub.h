// The live hand-over of a job: who listens, what they are handed, and the pose at the clock.
#pragma once

#include "core/base/own_folder.h"
#include "live/live_listener.h"
#include "live/live_server.h"
#include "session/clock.h"
#include "session/delivery_runner.h"

#include <QObject>
#include <QThreadPool>
#include <QTimer>
#include <atomic>
#include <map>
#include <memory>

namespace wembrix::app {

class LiveHub : public QObject {
    Q_OBJECT
  public:
    LiveHub(Document& document, Session& session, Clock& clock, DeliveryRunner& runner, QObject* parent = nullptr);
    ~LiveHub() override;

    /// Begins to listen, or sends all listeners away.
    void set_open(bool open);
    [[nodiscard]] bool is_open() const { return server_.is_open(); }
    [[nodiscard]] const LiveServer& server() const { return server_; }
    [[nodiscard]] const std::vector<std::unique_ptr<LiveListener>>& listeners() const { return listeners_; }
    /// Whose files listeners get that name no destination.
    void set_destination(const std::string& name) { chosen_ = name; }
    /// Makes what has changed anew, and hands it over.
    void hand_over_now();
    /// Whether that happens by itself a moment after each change.
    void set_follows(bool follows);
    [[nodiscard]] bool follows() const { return follows_; }
    [[nodiscard]] bool is_making() const { return making_ > 0; }
    /// What is not handed over, and why.
    [[nodiscard]] QStringList held() const;
    /// Of listeners that have that cell's file with that content; the newest answer. Null: none says anything of it.
    [[nodiscard]] const SentFile* answer(const CellKey& cell, const std::string& content) const;
    /// Why no pose goes to the listeners of a destination now; empty: one does, or nobody is there.
    [[nodiscard]] QString why_no_pose(const std::string& destination) const;

  Q_SIGNALS:
    void changed();

  private:
    struct Made {
        std::map<std::string, HandedFile> files; ///< by deliverable, what goes out now
        std::vector<std::string> order;          ///< of a delivery
        std::map<std::string, std::unique_ptr<PosedFile>> posed;
        QStringList held;
    };

    void join(QWebSocket* socket, const ListenerHello& hello);
    void make_for(const std::string& destination);
    void keep(const std::string& destination, HandOver made, const QString& problem);
    /// Takes away files that nobody is handed any more.
    void sweep();
    void send_all(LiveListener& listener);
    void send_poses();

    Document& document_;
    Session& session_;
    Clock& clock_;
    DeliveryRunner& runner_;
    LiveServer server_;
    std::vector<std::unique_ptr<LiveListener>> listeners_;
    std::string chosen_;
    std::map<std::string, Made> made_; ///< by destination
    std::unique_ptr<OwnFolder> folder_;
    int next_folder_ = 0;
    QThreadPool worker_;
    std::atomic<bool> stop_ = false;
    int making_ = 0;
    int job_ = 0; ///< counts the jobs that were opened
    bool follows_ = false;
    QTimer soon_;
};

} // namespace wembrix::app
