#include "session/selection.h"

namespace wembrix::app {

void Selection::choose(int64_t identity) {
    if (identity == 0) {
        clear();
    } else {
        choose_all({identity});
    }
}

void Selection::toggle(int64_t identity) {
    if (identity == 0) {
        return;
    }
    if (chosen_.erase(identity) != 0) {
        current_ = chosen_.empty() ? 0 : *chosen_.begin();
    } else {
        chosen_.insert(identity);
        current_ = identity;
    }
    Q_EMIT changed();
}

void Selection::choose_all(const std::vector<int64_t>& identities) {
    std::set<int64_t> next(identities.begin(), identities.end());
    next.erase(0);
    const int64_t last = identities.empty() ? 0 : identities.back();
    if (next == chosen_ && last == current_) {
        return;
    }
    chosen_ = std::move(next);
    current_ = last;
    Q_EMIT changed();
}

void Selection::clear() {
    choose_all({});
}

std::vector<int> Selection::nodes_in(const Scene& scene) const {
    std::vector<int> nodes;
    for (size_t i = 0; i < scene.nodes.size(); ++i) {
        if (scene.nodes[i].identity != 0 && holds(scene.nodes[i].identity)) {
            nodes.push_back(static_cast<int>(i));
        }
    }
    return nodes;
}

} // namespace wembrix::app
