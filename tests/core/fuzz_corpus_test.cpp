// The corpus that the fuzzer left: every file of it through its target, in every build.
#include "core/base/files.h"
#include "targets.h"

#include <filesystem>
#include <gtest/gtest.h>

namespace wembrix::testing {
namespace {

class FuzzCorpus : public ::testing::TestWithParam<FuzzTarget> {};

TEST_P(FuzzCorpus, EveryFileIsReadOrRefused) {
    const std::filesystem::path folder = std::filesystem::path(WEMBRIX_SOURCE) / "tests/fuzz/corpus" / GetParam().name;
    size_t files = 0;
    for (const auto& entry : std::filesystem::directory_iterator(folder)) {
        const Result<std::string> bytes = read_file(entry.path());
        ASSERT_TRUE(bytes.ok());
        GetParam().run(*bytes);
        ++files;
    }
    EXPECT_GT(files, 0U);
}

INSTANTIATE_TEST_SUITE_P(Targets, FuzzCorpus, ::testing::ValuesIn(fuzz_targets),
                         [](const auto& row) { return std::string(row.param.name); });

} // namespace
} // namespace wembrix::testing
