// The arrival check of one cell: Prepared beside Arrived, claim by claim, and the drift over time.
#pragma once

#include "session/delivery_runner.h"
#include "stations/frame_curve.h"
#include "view/scene_view.h"

#include <QFrame>
#include <QThreadPool>
#include <atomic>
#include <filesystem>
#include <map>
#include <string>

class QLabel;
class QPushButton;
class QTableWidget;

namespace wembrix::app {

class ArrivalPanel : public QFrame {
    Q_OBJECT
  public:
    ArrivalPanel(Session& session, Camera& camera, Clock& clock, QWidget* parent = nullptr);
    ~ArrivalPanel() override;
    void show_cell(const QString& title, const Arrival* arrival, const Destination* destination,
                   const QString& why_empty);
    /// What a listener of the live hand-over says of the shown cell's file; nothing where none has it.
    void show_answer(const std::vector<Claim>& claims);
    /// Where the files of the shown cell's destination lie.
    void set_folder(const std::filesystem::path& folder) { folder_ = folder; }
    SceneView& prepared_view() { return *prepared_; }
    SceneView& arrived_view() { return *arrived_; }

  private:
    void show_claims(const std::vector<Claim>& claims);
    void add_answer();
    void ask_second();
    void show_second();
    void show_left(const Arrival& arrival);

    Session& session_;
    std::filesystem::path folder_;
    Clock& clock_;
    QLabel* title_;
    QLabel* footer_;
    SceneView* prepared_;
    SceneView* arrived_;
    QTableWidget* claims_;
    QPushButton* left_;
    QPushButton* second_; ///< asks another importer
    QThreadPool asking_;
    std::atomic<bool> closing_ = false;
    std::filesystem::path file_;                     ///< of the chosen cell, where it lies; empty: it has none
    std::string content_;                            ///< of it
    std::map<std::string, std::vector<Claim>> said_; ///< by contents: what it answered
    std::string asked_;                              ///< the content that it is being asked about
    std::vector<Claim> shown_;                       ///< the claims of the table
    std::vector<Claim> answer_;                      ///< of a listener
    bool opened_ = false; ///< subjects that are the same have a row each, and not one together
    Ledger ledger_;
    FrameCurve* curve_;
};

} // namespace wembrix::app
