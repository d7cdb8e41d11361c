// Files, texts and small helpers that everything else stands on.
#include "core/base/counted.h"
#include "core/base/csv.h"
#include "core/base/file_version.h"
#include "core/base/files.h"
#include "core/base/json_file.h"

#include <filesystem>
#include <gtest/gtest.h>
#include <random>

namespace wembrix::testing {
namespace {

namespace fs = std::filesystem;
using nlohmann::json;
using Records = std::vector<std::vector<std::string>>;

Records records_of(const std::string& text) {
    const Result<Records> records = csv_records(text, "list.csv");
    EXPECT_TRUE(records.ok()) << (records.ok() ? "" : records.problem().sentence());
    return records ? *records : Records();
}

TEST(Csv, SpreadsheetsWriteItInManyWays) {
    const Records wanted = {{"name", "start"}, {"wade, slowly", "0"}, {"say \"hoo\"", "12"}};
    EXPECT_EQ(records_of("name,start\n\"wade, slowly\",0\n\"say \"\"hoo\"\"\",12\n"), wanted);
    EXPECT_EQ(records_of("name,start\r\n\"wade, slowly\",0\r\n\"say \"\"hoo\"\"\",12"), wanted) << "other line ends";
    EXPECT_EQ(records_of("\xEF\xBB\xBFname,start\n\n\"wade, slowly\",0\n\r\n\"say \"\"hoo\"\"\",12\n\n"), wanted)
        << "a byte order mark and empty lines";
    EXPECT_EQ(records_of("a,,c\n"), (Records{{"a", "", "c"}}));
    EXPECT_EQ(records_of("\"two\nlines\",b\n"), (Records{{"two\nlines", "b"}}));
    EXPECT_TRUE(records_of("").empty());
    EXPECT_FALSE(csv_records("\"never ends\n1,2\n", "list.csv").ok());
}

TEST(Csv, AnyTextComesBackFromItsField) {
    std::mt19937 random(5);
    const std::string letters = "ab,\"\n\r;\t é";
    for (int i = 0; i < 500; ++i) {
        Records records;
        std::string text;
        for (size_t row = 0; row < 1 + random() % 3; ++row) {
            records.emplace_back();
            for (size_t at = 0; at < 2; ++at) {
                std::string field = at == 0 ? "x" : ""; // a line of empty fields alone is an empty line
                for (size_t k = 0; k < random() % 6; ++k) {
                    field += letters[random() % letters.size()];
                }
                text += (at == 0 ? "" : ",") + csv_field(field);
                records.back().push_back(field);
            }
            text += "\n";
        }
        EXPECT_EQ(records_of(text), records) << text;
    }
}

class InAFolder : public ::testing::Test {
  protected:
    void SetUp() override {
        folder = fs::temp_directory_path() / "wembrix_base_test";
        fs::remove_all(folder);
        fs::create_directories(folder);
    }
    void TearDown() override { fs::remove_all(folder); }
    fs::path folder;
};

TEST_F(InAFolder, FilesComeBackWholeAndWhatIsNoneIsRefused) {
    std::string bytes(100000, '\0');
    for (size_t i = 0; i < bytes.size(); ++i) {
        bytes[i] = static_cast<char>(i * 31);
    }
    ASSERT_TRUE(write_file_whole(folder / "a", bytes).ok());
    EXPECT_EQ(*read_file(folder / "a"), bytes);
    ASSERT_TRUE(write_file_whole(folder / "a", "").ok());
    EXPECT_EQ(*read_file(folder / "a"), "") << "the shorter one, nothing of the longer behind it";
    EXPECT_EQ(std::distance(fs::directory_iterator(folder), fs::directory_iterator()), 1)
        << "nothing is left beside it";
    EXPECT_FALSE(read_file(folder).ok()) << "a folder";
    EXPECT_FALSE(read_file(folder / "b").ok()) << "nothing";
    EXPECT_FALSE(read_file("/dev/zero").ok()) << "a device that never ends";
    EXPECT_FALSE(write_file_whole(folder / "no/such/folder", "x").ok());
    fs::create_symlink(folder / "a", folder / "link");
    ASSERT_TRUE(replace_file(folder / "link", "new").ok());
    EXPECT_TRUE(fs::is_symlink(folder / "link"));
    EXPECT_EQ(*read_file(folder / "a"), "new");
}

TEST_F(InAFolder, JsonIsReadOrRefusedWithItsFile) {
    ASSERT_TRUE(write_file_whole(folder / "good.json", R"({"a": [1, 2.5, "x"]})").ok());
    EXPECT_EQ((*read_json_file(folder / "good.json"))["a"].size(), 3U);
    for (const char* text : {"", "{", "nul", "{\"a\": 1}}", "[1,]"}) {
        ASSERT_TRUE(write_file_whole(folder / "bad.json", text).ok());
        const Result<json> read = read_json_file(folder / "bad.json");
        ASSERT_FALSE(read.ok()) << text;
        EXPECT_NE(read.problem().sentence().find("bad.json"), std::string::npos) << read.problem().sentence();
    }
    EXPECT_FALSE(is_too_deep(std::string(deepest_json, '[')));
    EXPECT_TRUE(is_too_deep(std::string(deepest_json + 1, '[')));
    EXPECT_FALSE(is_too_deep("\"" + std::string(1000, '[') + "\"")) << "within a text they open nothing";
    EXPECT_FALSE(is_too_deep(R"("a \" )" + std::string(1000, '{') + "\"")) << "nor behind an escaped quote";
}

TEST(Json, NumbersAreTakenWholeOrNotAtAll) {
    double three[3] = {7, 7, 7};
    EXPECT_TRUE(numbers_from(json::object(), "at", 3, three));
    EXPECT_EQ(three[0], 7) << "as it was";
    EXPECT_TRUE(numbers_from({{"at", {1, 2.5, -3}}}, "at", 3, three));
    EXPECT_EQ(three[1], 2.5);
    for (const json& wrong : {json({1, 2}), json({1, 2, 3, 4}), json({1, 2, "3"}), json(5), json("1,2,3")}) {
        EXPECT_FALSE(numbers_from({{"at", wrong}}, "at", 3, three)) << wrong;
    }
}

TEST(Names, OfFilesAreSafeAnywhere) {
    EXPECT_EQ(file_name_safe("Wade-In_2"), "Wade-In_2");
    for (const char* name : {"a/b", "..", "a b", "a:b*?", "\\\\server", "tab\there"}) {
        const std::string safe = file_name_safe(name);
        EXPECT_TRUE(std::all_of(safe.begin(), safe.end(),
                                [](unsigned char c) { return std::isalnum(c) != 0 || c == '-' || c == '_'; }))
            << name << " became " << safe;
    }
}

TEST(Hashes, AreOfTheBytesAlone) {
    EXPECT_EQ(hash_of("").size(), 32U);
    EXPECT_EQ(hash_of("tansy"), hash_of(std::string("tansy")));
    EXPECT_NE(hash_of("tansy"), hash_of("tansz"));
    EXPECT_NE(hash_of(std::string("a\0", 2)), hash_of("a"));
    // XXH3, 128 bits, of nothing, with seed 0: from the description of the algorithm.
    EXPECT_EQ(hash_of(""), "99aa06d3014798d86001c324468d497f");
}

TEST(Counted, WordsFollowTheirNumber) {
    EXPECT_EQ(counted(1, "joint"), "1 joint");
    EXPECT_EQ(counted(0, "joint"), "0 joints");
    EXPECT_EQ(counted(size_t{2}, "vertex"), "2 vertices");
    EXPECT_EQ(counted(3, "delivery"), "3 deliveries");
    EXPECT_EQ(counted(3, "key"), "3 keys");
    EXPECT_EQ(counted(2, "index"), "2 indices");
}

TEST(Versions, OldKeysGetTheirNewNamesAndWhatIsNewerIsRefused) {
    json file = {{"version", 1}, {"turn", 3}, {"rows", {{{"turn", 1}}, {{"other", 2}}}}};
    const auto migrate = [](json& of) {
        rename_key(of, "turn", "rotation");
        rename_key_in_each(of["rows"], "turn", "rotation");
    };
    ASSERT_TRUE(bring_up_to_date(file, "it", migrate).ok());
    EXPECT_EQ(file["rotation"], 3);
    EXPECT_FALSE(file.contains("turn"));
    EXPECT_EQ(file["rows"][0]["rotation"], 1);
    EXPECT_EQ(file["rows"][1], json({{"other", 2}}));
    json now = {{"version", file_version}, {"turn", 3}};
    ASSERT_TRUE(bring_up_to_date(now, "it", migrate).ok());
    EXPECT_TRUE(now.contains("turn")) << "a file of today is left as it is";
    for (const json& version : {json(file_version + 1), json("2"), json(0), json(-1), json(1.5)}) {
        json newer = {{"version", version}};
        EXPECT_FALSE(bring_up_to_date(newer, "it", migrate).ok()) << version;
    }
    json both = {{"version", 1}, {"turn", 3}, {"rotation", 4}, {"rows", json::array()}};
    ASSERT_TRUE(bring_up_to_date(both, "it", migrate).ok());
    EXPECT_EQ(both["rotation"], 4) << "what is said by its new name holds";
}

} // namespace
} // namespace wembrix::testing
