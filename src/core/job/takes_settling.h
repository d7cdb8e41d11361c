// How the files of takes are put in place while a run over them goes on.
#pragma once

#include "core/delivery/made_from.h"
#include "core/job/takes_run.h"

#include <chrono>
#include <nlohmann/json.hpp>
#include <set>
#include <string>
#include <vector>

namespace wembrix {

/// What is left of one take when it has been through: rows, no scenes.
struct TakeThrough {
    std::string take;
    std::vector<Arrival> arrivals;
    nlohmann::json clips = nlohmann::json::array();  ///< manifest rows, one an arrival
    nlohmann::json checks = nlohmann::json::array(); ///< what a page tells of each; where the destination wants one
    std::string model_content;
    MadeFrom made_from;
    std::vector<Finding> accepted;
    Ledger left; ///< of what is the take's own
};

/// Puts takes in place as they come, a manifest after each few, and keeps what is told of all of them.
class TakesSettling {
  public:
    /// `model`: after the card; `left`: what of it is in none of the files. The request must outlive this.
    TakesSettling(const TakesRequest& request, const Scene& model, Ledger left);

    void add(TakeThrough one) { waiting_.push_back(std::move(one)); }
    [[nodiscard]] bool is_time() const;
    /// Puts in place what waits.
    Outcome settle();
    /// The page of all that lies there now, where the destination asks for one.
    Outcome put_page();

    TakesReport take() { return std::move(report_); }

  private:
    void hold_doubled(std::vector<TakeThrough>& all);

    const TakesRequest& request_;
    nlohmann::json head_;
    TakesReport report_;
    std::vector<TakeThrough> waiting_;
    std::chrono::steady_clock::time_point last_ = std::chrono::steady_clock::now();
    std::chrono::steady_clock::duration cost_ = {}; ///< of putting in place, the last time
    std::set<std::string> files_ = {"delivery"};
    std::set<std::string> ids_;
};

} // namespace wembrix
