// What a source says of its own: JSON here, dictionaries there.
#pragma once

#include "core/formats/usd/value.h"

#include <string>

namespace wembrix::usd {

/// A JSON object as text; empty for an empty dictionary. Tuples and arrays become lists.
std::string json_of(const Dictionary& dictionary);
/// Of JSON's text: numbers, texts, truths, lists of one of these and objects as what they are there. What is none of
/// them (null, lists of several kinds) stands as text in a dictionary “wembrixJson”, and comes back from there.
Dictionary dictionary_of(const std::string& json);

} // namespace wembrix::usd
