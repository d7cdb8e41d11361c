// Names of any script in plain Latin letters.
#pragma once

#include <string>

namespace wembrix {

/// The name in ASCII letters, sounds and bases of letters kept as far as they can be ("歩く" is "buku", "Ürsel" is
/// "Ursel"); what has no letters stays as it is. UTF-8 in and out; text that is none comes back unchanged. By ICU's
/// "Any-Latin; Latin-ASCII".
std::string in_latin(const std::string& name);

/// Every byte belongs to a well-formed UTF-8 character that can be seen: no controls, no marks of direction.
bool is_plain_utf8(const std::string& text);

} // namespace wembrix
