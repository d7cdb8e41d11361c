// Choosing joints by a click.
#pragma once

#include "view/view_tool.h"

namespace wembrix::app {

class PickTool : public ViewTool {
  public:
    /// `selection` outlives the tool; null: nothing can be chosen.
    void set_selection(Selection* selection) { selection_ = selection; }
    bool click(const Frame& frame, const ViewInput& input) override;

  private:
    Selection* selection_ = nullptr;
};

} // namespace wembrix::app
