// USD as text (.usda), version 1.0, by the core specification's "Text file format".
#pragma once

#include "core/base/result.h"
#include "core/formats/usd/layer.h"

#include <string>
#include <string_view>

namespace wembrix::usd {

/// Problems say the line. Nothing is taken from a file that is not whole.
Result<Layer> read_text(std::string_view text);

/// One statement a line; numbers as short as they come back the same. The same layer gives the same bytes.
std::string write_text(const Layer& layer);

} // namespace wembrix::usd
