// What is chosen, the same in every view and list: nodes of the job by their identity.
#pragma once

#include "core/scene/scene.h"

#include <QObject>
#include <cstdint>
#include <set>
#include <string>
#include <vector>

namespace wembrix::app {

class Selection : public QObject {
    Q_OBJECT
  public:
    explicit Selection(QObject* parent = nullptr) : QObject(parent) {}

    [[nodiscard]] const std::set<int64_t>& identities() const { return chosen_; }
    [[nodiscard]] int64_t current() const { return current_; } ///< the one chosen last; 0 for none
    [[nodiscard]] bool is_empty() const { return chosen_.empty(); }
    [[nodiscard]] bool holds(int64_t identity) const { return chosen_.count(identity) != 0; }

    void choose(int64_t identity); ///< that one alone
    void toggle(int64_t identity); ///< adds it or takes it out
    void choose_all(const std::vector<int64_t>& identities);
    void clear();

    /// Places of the chosen nodes in a scene of the job.
    [[nodiscard]] std::vector<int> nodes_in(const Scene& scene) const;

  Q_SIGNALS:
    void changed();

  private:
    std::set<int64_t> chosen_;
    int64_t current_ = 0;
};

} // namespace wembrix::app
