// USD as a binary file (.usdc, “crate”), by the core specification's “Binary file format”. Read: versions 0.4 to 0.13;
// written: 0.8, which all readers have.
#pragma once

#include "core/base/result.h"
#include "core/formats/usd/layer.h"

#include <filesystem>
#include <functional>
#include <memory>
#include <string>
#include <string_view>

namespace wembrix::usd {

/// Values look into `bytes` where they lie, and keep `owner` alive. Nothing is taken from a file that is not whole.
Result<Layer> read_crate(std::shared_ptr<const void> owner, std::string_view bytes);
inline Result<Layer> read_crate(const std::shared_ptr<const std::string>& bytes) {
    return read_crate(bytes, *bytes);
}
bool is_crate(std::string_view bytes);

/// The same layer gives the same bytes.
std::string write_crate(const Layer& layer);

/// Values over time that are made while a file is written, moment after moment: those of one are in memory at a time.
struct MadeSamples {
    std::vector<std::string> attributes; ///< "/a/b.points": of prims of the layer that have them
    std::vector<double> times;           ///< ascending
    /// One value an attribute. Asked once for each moment, in order.
    std::function<Result<std::vector<Value>>(size_t moment)> make;
};
/// Into a new file. The same layer and values give the same bytes.
Outcome write_crate(const Layer& layer, const MadeSamples& made, const std::filesystem::path& file);

} // namespace wembrix::usd
