// Takes of other bodies: which joint does as which, how well it went, and where it went worst.
#pragma once

#include "core/job/retargeted.h"
#include "session/document.h"
#include "session/session.h"
#include "stations/takes/pairs_model.h"

#include <QThreadPool>
#include <QWidget>
#include <atomic>
#include <memory>

class QComboBox;
class QLabel;
class QTableView;

namespace wembrix::app {

class PairsPanel : public QWidget {
    Q_OBJECT
  public:
    PairsPanel(Document& document, Session& session, QWidget* parent = nullptr);
    ~PairsPanel() override;
    PairsModel& model() { return *model_; }
    /// The source to be shown beside Prepared; null: none, or not ready yet.
    [[nodiscard]] std::shared_ptr<const Scene> beside() const;
    [[nodiscard]] QString beside_name() const;
    [[nodiscard]] bool is_ready() const { return ready_; }

  Q_SIGNALS:
    void measured();                                  ///< another source, or other pairs
    void momentAsked(const QString& take, int frame); ///< of a take of the source

  protected:
    void showEvent(QShowEvent* event) override;

  private:
    void measure();
    void show_one();
    void keep(const JointMap& map, const QString& what);
    void change(const char* key, const nlohmann::json& value, const QString& what);
    void ask_to_read();
    void ask_to_save();

    Document& document_;
    Session& session_;
    QThreadPool worker_;
    std::atomic<uint64_t> run_ = 0;
    std::shared_ptr<const SessionState> of_; ///< what is measured
    std::vector<RetargetedSource> all_;
    bool ready_ = false;
    PairsModel* model_;
    QTableView* table_;
    QComboBox* source_;
    QComboBox* path_;
    QComboBox* feet_;
    QComboBox* hands_;
    QLabel* said_;
};

} // namespace wembrix::app
