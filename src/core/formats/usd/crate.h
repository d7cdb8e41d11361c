// USD as a binary file (.usdc, “crate”), by the core specification's “Binary file format”. Read: versions 0.4 to 0.13;
// written: 0.8, which all readers have.
#pragma once

#include "core/base/result.h"
#include "core/formats/usd/layer.h"

#include <memory>
#include <string>
#include <string_view>

namespace wembrix::usd {

/// Values look into `bytes` where they lie, and keep them alive. Nothing is taken from a file that is not whole.
Result<Layer> read_crate(std::shared_ptr<const std::string> bytes);
bool is_crate(std::string_view bytes);

/// The same layer gives the same bytes.
std::string write_crate(const Layer& layer);

} // namespace wembrix::usd
