// Regular expressions: what they find, what they replace, and what is refused.
#include "core/base/pattern.h"

#include <gtest/gtest.h>

namespace wembrix::testing {
namespace {

std::string replaced(const std::string& expression, const std::string& text, const std::string& by) {
    Result<Pattern> pattern = Pattern::compile(expression);
    EXPECT_TRUE(pattern.ok()) << expression;
    return pattern.ok() ? pattern->replace_all(text, by) : "";
}

TEST(Pattern, FindsAnywhereOrMatchesTheWhole) {
    const Pattern word = Pattern::checked("[a-z]+");
    EXPECT_TRUE(word.is_found_in("12ab34"));
    EXPECT_FALSE(word.is_found_in("1234"));
    EXPECT_TRUE(word.matches_whole("ab"));
    EXPECT_FALSE(word.matches_whole("ab3"));
    EXPECT_TRUE(Pattern::checked("").is_found_in("anything"));
}

TEST(Pattern, ReplacesEveryPlaceWithGroups) {
    EXPECT_EQ(replaced("_", "a_b_c", "."), "a.b.c");
    EXPECT_EQ(replaced("^([0-9])", "7up", "j$1"), "j7up");
    EXPECT_EQ(replaced("(\\w+)\\.([LR])", "arm.L", "$2_$1"), "L_arm");
    EXPECT_EQ(replaced("a", "banana", "[$&]"), "b[a]n[a]n[a]");
    EXPECT_EQ(replaced("n", "n", "$$1"), "$1");
    EXPECT_EQ(replaced("n", "n", "$9|$"), "|$") << "a group that there is not is nothing, a dollar at the end itself";
}

TEST(Pattern, TwoDigitsAreAGroupWhereThereAreSoMany) {
    EXPECT_EQ(replaced("(a)(b)(c)(d)(e)(f)(g)(h)(i)(j)(k)", "abcdefghijk", "$11$10"), "kj");
    EXPECT_EQ(replaced("(a)", "a", "$11"), "a1");
}

TEST(Pattern, FindingNothingMovesOnByWholeLetters) {
    EXPECT_EQ(replaced("x*", "ab", "-"), "-a-b-");
    EXPECT_EQ(replaced("x*", "é", "-"), "-é-");
    EXPECT_EQ(replaced("$", "arm", "_l"), "arm_l");
    EXPECT_EQ(replaced("^", "", "root"), "root");
}

TEST(Pattern, LettersBeyondTheEnglishOnesAreOneLetter) {
    EXPECT_EQ(replaced("^.", "ärmel", ""), "rmel");
    EXPECT_TRUE(Pattern::checked("^.{3}$").matches_whole("öse"));
}

TEST(Pattern, WhatCannotBeMatchedInLinearTimeIsRefusedWithAWord) {
    for (const char* expression : {"(?=a)b", "(?<!a)b", "(a)\\1", "(", "a{2,1}", "(((a{1000}){1000}){1000})"}) {
        const Result<Pattern> pattern = Pattern::compile(expression);
        ASSERT_FALSE(pattern.ok()) << expression;
        EXPECT_NE(pattern.problem().sentence().find("regular expression"), std::string::npos);
    }
}

TEST(Pattern, ManyWaysToMatchTakeNoLongerThanOne) {
    const Pattern many = Pattern::checked("(a+)+$");
    EXPECT_FALSE(many.is_found_in(std::string(100'000, 'a') + "!"));
}

} // namespace
} // namespace wembrix::testing
