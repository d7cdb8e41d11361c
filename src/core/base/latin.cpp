#include "core/base/latin.h"

#include <algorithm>
#include <memory>
#include <mutex>
#include <unicode/translit.h>
#include <unicode/uchar.h>
#include <unicode/unistr.h>
#include <unicode/utf8.h>

namespace wembrix {

std::string in_latin(const std::string& name) {
    if (!is_plain_utf8(name)) {
        return name;
    }
    static std::mutex mutex; // ICU's transliterators are not for several threads at once
    const std::lock_guard lock(mutex);
    static const std::unique_ptr<icu::Transliterator> transliterator = [] {
        UErrorCode error = U_ZERO_ERROR;
        std::unique_ptr<icu::Transliterator> made(
            icu::Transliterator::createInstance("Any-Latin; Latin-ASCII", UTRANS_FORWARD, error));
        return U_SUCCESS(error) ? std::move(made) : nullptr;
    }();
    if (!transliterator) {
        return name;
    }
    icu::UnicodeString text = icu::UnicodeString::fromUTF8(name);
    transliterator->transliterate(text);
    std::string latin;
    text.toUTF8String(latin);
    return latin;
}

bool is_plain_utf8(const std::string& text) {
    const auto length = static_cast<int32_t>(text.size());
    for (int32_t at = 0; at < length;) {
        UChar32 character = 0;
        U8_NEXT(text.data(), at, length, character);
        if (character < 0) {
            return false;
        }
        const int8_t kind = u_charType(character);
        if (kind == U_CONTROL_CHAR || kind == U_FORMAT_CHAR || kind == U_PRIVATE_USE_CHAR || kind == U_SURROGATE ||
            kind == U_UNASSIGNED || kind == U_LINE_SEPARATOR || kind == U_PARAGRAPH_SEPARATOR) {
            return false;
        }
    }
    return true;
}

} // namespace wembrix
