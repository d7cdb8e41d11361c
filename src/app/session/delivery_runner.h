// Delivers, and checks delivered files again, away from the interface thread.
#pragma once

#include "core/delivery/delivery.h"
#include "session/document.h"
#include "session/session.h"

#include <QObject>
#include <QThreadPool>
#include <atomic>
#include <map>
#include <optional>

namespace wembrix::app {

/// A cell of the board: destination's name and deliverable's id.
using CellKey = std::pair<std::string, std::string>;

class DeliveryRunner : public QObject {
    Q_OBJECT
  public:
    DeliveryRunner(Document& document, Session& session, QObject* parent = nullptr);
    ~DeliveryRunner() override;

    /// All cells of the list, by destination; nothing happens while a delivery runs.
    void deliver_cells(const std::vector<CellKey>& cells);
    void stop();
    [[nodiscard]] bool is_running() const { return running_; }
    [[nodiscard]] int done() const { return done_; }
    [[nodiscard]] int all() const { return all_; }
    [[nodiscard]] const QString& doing() const { return doing_; }
    [[nodiscard]] const QString& problem() const { return problem_; }
    [[nodiscard]] double last_seconds() const { return last_seconds_; }

    /// What arrived of a cell, if what is in it is `content`; null if it was not delivered or read in this session.
    [[nodiscard]] const Arrival* arrival(const CellKey& cell, const std::string& content) const;
    /// The newest arrival of a cell, whatever it was made from.
    [[nodiscard]] const Arrival* last_arrival(const CellKey& cell) const;
    /// Reads the delivered file of a cell in the background, once, so that it can be shown.
    void look_again(const CellKey& cell, const std::string& content);
    [[nodiscard]] std::filesystem::path folder_of(const Destination& destination) const;

    /// What a delivery to this destination would be; nothing while there is no state. `prepared` is not set.
    [[nodiscard]] std::optional<DeliveryRequest> request_for(const Destination& destination) const;

  Q_SIGNALS:
    void progressed();
    void finished();
    void arrivalChanged();

  private:
    Document& document_;
    Session& session_;
    std::map<CellKey, Arrival> arrivals_;
    std::map<CellKey, std::string> looked_;
    QThreadPool worker_;
    std::atomic<bool> stop_ = false;
    bool running_ = false;
    int done_ = 0;
    int all_ = 0;
    double last_seconds_ = 0;
    QString doing_;
    QString problem_;
};

} // namespace wembrix::app
