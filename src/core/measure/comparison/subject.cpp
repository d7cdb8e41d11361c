#include "core/measure/comparison/subject.h"

#include "core/base/counted.h"
#include "core/base/text.h"

#include <algorithm>
#include <fmt/format.h>

namespace wembrix {

namespace {
constexpr size_t most_told = 100;
}

void Subject::differs(const Text& where, const Text& how) {
    ++found_;
    if (differences_.size() < most_told) {
        differences_.push_back(phrase("{}: {}", where, how));
    }
    if (std::find(places_.begin(), places_.end(), where) == places_.end() && places_.size() < most_told) {
        places_.push_back(where);
    }
}

Claim Subject::claim() const {
    Claim claim;
    claim.name = name_;
    claim.expected = counted(compared_, noun_);
    claim.compared = compared_;
    claim.pass = found_ == 0;
    claim.actual = claim.pass ? "the same" : phrase("{} differ", places_.size());
    claim.differences = differences_;
    if (!claim.pass) {
        claim.detail = found_ == 1 ? differences_.front() : phrase("{}; and {} more", differences_.front(), found_ - 1);
    }
    return claim;
}

std::string short_number(double value) {
    return fmt::format("{:.6g}", value);
}

} // namespace wembrix
