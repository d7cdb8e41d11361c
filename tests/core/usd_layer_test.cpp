// USD layers as text and as crate: out and in again, and what a broken file says.
#include "core/formats/usd/crate.h"
#include "core/formats/usd/crate_pack.h"
#include "core/formats/usd/paths.h"
#include "core/formats/usd/text.h"
#include "random_layer.h"
#include "random_rig.h"

#include <gtest/gtest.h>

namespace wembrix::usd {
namespace {

Layer from_crate(const std::string& bytes) {
    Result<Layer> layer = read_crate(std::make_shared<const std::string>(bytes));
    EXPECT_TRUE(layer.ok()) << (layer.ok() ? "" : layer.problem().sentence());
    return layer.ok() ? layer.take() : Layer();
}
Layer from_text(const std::string& text) {
    Result<Layer> layer = read_text(text);
    EXPECT_TRUE(layer.ok()) << (layer.ok() ? "" : layer.problem().sentence()) << "\n" << text;
    return layer.ok() ? layer.take() : Layer();
}

TEST(UsdLayer, RandomOnesComeBackFromTextAndCrateAsTheyWere) {
    for (uint32_t seed = 0; seed < testing::seeds(); ++seed) {
        const Layer layer = testing::RandomLayer(seed).run();
        const std::string text = write_text(layer);
        const Layer read = from_text(text);
        ASSERT_EQ(read.prims.size(), layer.prims.size()) << seed;
        EXPECT_TRUE(read == layer) << "seed " << seed << "\n" << text << "\n---\n" << write_text(read);
        const std::string bytes = write_crate(layer);
        const Layer unpacked = from_crate(bytes);
        EXPECT_TRUE(unpacked == layer) << "seed " << seed << "\n" << text << "\n---\n" << write_text(unpacked);
        EXPECT_EQ(write_crate(unpacked), bytes) << "the same layer, the same bytes";
        EXPECT_EQ(write_text(unpacked), text);
        if (HasFailure()) {
            break;
        }
    }
}

TEST(UsdLayer, IntegersOfEveryWidthArePackedAndUnpacked) {
    std::mt19937 random(4);
    for (const size_t count : {1, 2, 3, 4, 5, 100, 5000}) {
        for (int style = 0; style < 4; ++style) {
            std::vector<int32_t> small;
            std::vector<int64_t> large;
            for (size_t i = 0; i < count; ++i) {
                const auto bits = static_cast<int64_t>((static_cast<uint64_t>(random()) << 32U) | random());
                const int64_t one = style == 0   ? static_cast<int64_t>(i)
                                    : style == 1 ? bits % 100
                                    : style == 2 ? bits % 40000
                                                 : bits;
                small.push_back(static_cast<int32_t>(one));
                large.push_back(one);
            }
            const std::string packed = pack_integers(std::span<const int32_t>(small));
            EXPECT_EQ(unpack_int32(std::as_bytes(std::span(packed)), count), small);
            const std::string wide = pack_integers(std::span<const int64_t>(large));
            EXPECT_EQ(unpack_int64(std::as_bytes(std::span(wide)), count), large);
            EXPECT_FALSE(unpack_int32(std::as_bytes(std::span(packed)).first(packed.size() / 2), count));
        }
    }
    EXPECT_FALSE(unpack_int32({}, 0xFFFFFFFFFFULL)) << "no more memory than the bytes can stand for";
    EXPECT_FALSE(unpack_bytes({}, 1));
}

TEST(UsdLayer, TextInAllItsHabitsIsRead) {
    const Layer layer = from_text(R"(#usda 1.0
(
    "a comment"
    doc = """long
"doc" """
    metersPerUnit = 0.01; upAxis = "Z"
    startTimeCode = 1
    subLayers = [
        @./under.usda@ (offset = 10; scale = 2),
        @@@odd@name.usda@@@
    ]
    customLayerData = {
        string "by:hand" = 'yes'
        dictionary inner = { int[] sizes = [1, 2,] }
    }
)

# in between
over "a" (
    prepend references = [@other.usda@</x>, </b>]
    delete apiSchemas = ["One"]
    variants = { string look = "dry" }
    prepend variantSets = "look"
    hidden = true
)
{
    reorder properties = ["x", "y"]
    custom uniform token[] order = ["x", 'y'] ( doc = "why" )
    /* a block
       comment */
    float3 scale = (1, 2.5, -3e-2) // after it
    quatf turn = (1, 0, 0.5, 0)
    matrix2d m = ( (1, 2), (3, 4) )
    double late.timeSamples = {
        2: 5, 1: 4.5,
        3: None,
    }
    float taken.connect = </b.out>
    rel to = [</b>, <../c>]
    add rel more = </b>
    bool is = true
    point3f[] none = []
    asset picture = @pic.png@
    variantSet "look" = {
        "dry" { float wet = 0 }
        "wet" (kind = "component") { float wet = 1
            def "drop" {} }
    }
    def Mesh "größe" { }
}
class "b" {}
)");
    EXPECT_EQ(*find(layer.metadata, "upAxis")->as_text(), "Z");
    EXPECT_EQ(*find(layer.metadata, "documentation")->as_text(), "long\n\"doc\" ");
    ASSERT_EQ(layer.sublayers.size(), 2U);
    EXPECT_EQ(layer.sublayers[0], (Reference{"./under.usda", "", 10, 2}));
    EXPECT_EQ(layer.sublayers[1].asset, "odd@name.usda");
    const Dictionary& data = find(layer.metadata, "customLayerData")->dictionary();
    EXPECT_EQ(*find(data, "by:hand")->as_text(), "yes");
    EXPECT_EQ(find(find(data, "inner")->dictionary(), "sizes")->numbers<int64_t>(), (std::vector<int64_t>{1, 2}));
    const Prim* a = layer.find("/a");
    ASSERT_NE(a, nullptr);
    EXPECT_EQ(a->specifier, Specifier::over);
    EXPECT_EQ(a->references.prepended.size(), 2U);
    EXPECT_EQ(a->api_schemas.deleted, std::vector<std::string>{"One"});
    EXPECT_EQ(a->property("scale")->value.numbers<double>()[1], 2.5);
    EXPECT_EQ(a->property("turn")->value.numbers<float>(), (std::vector<float>{0, 0.5F, 0, 1})) << "x, y, z, w";
    EXPECT_EQ(a->property("m")->value.numbers<double>(), (std::vector<double>{1, 2, 3, 4}));
    const std::vector<Sample>& late = a->property("late")->samples;
    ASSERT_EQ(late.size(), 3U);
    EXPECT_EQ(late[0].time, 1);
    EXPECT_EQ(*late[0].value.as_number(), 4.5);
    EXPECT_TRUE(late[2].value.is_blocked());
    EXPECT_EQ(a->property("taken")->connections.list(), std::vector<std::string>{"/b.out"});
    EXPECT_EQ(a->property("to")->targets.list(), (std::vector<std::string>{"/b", "../c"}));
    EXPECT_EQ(*a->property("is")->value.as_number(), 1);
    EXPECT_EQ(a->property("none")->value.size(), 0U);
    ASSERT_EQ(a->variant_sets.size(), 1U);
    ASSERT_EQ(a->variant_sets[0].variants.size(), 2U);
    EXPECT_NE(a->variant_sets[0].variants[1].child("drop"), nullptr);
    EXPECT_NE(a->child("größe"), nullptr);
    EXPECT_TRUE(layer.unread.empty());
}

TEST(UsdLayer, BrokenTextSaysItsLine) {
    const auto problem = [](const std::string& body) {
        const Result<Layer> layer = read_text("#usda 1.0\n" + body);
        return layer.ok() ? std::string("read") : layer.problem().sentence();
    };
    EXPECT_NE(problem("def \"a\" {\n float x = (1, 2)\n}").find("line 3"), std::string::npos);
    EXPECT_NE(problem("def \"a\" {\n").find("ends"), std::string::npos);
    for (const char* wrong :
         {"def {", "def \"a\" { float3 x = (1, 2) }", "def \"a\" { float x = [1] }", "def \"a\" { int x = 1.5 }",
          "def \"a\" { uchar x = 300 }", "def \"a\" { double x.timeSamples = { a: 1 } }", "def \"a\" { rel x = 5 }",
          "def \"a\" ( references = 5 ) {}", "def \"\" {}", "def \"a\" {} }", "(upAxis = ",
          "def \"a\" { string s = \"x", "def \"a\" { asset s = @x }", "def \"a\" { def \"b\" {} def \"b\" {} }",
          "def \"a\" {} def \"a\" {}", "def \"a\" {} over \"a\" {}", "def \"a\" { float[] x = [1 2] }"}) {
        EXPECT_NE(problem(wrong), "read") << wrong;
    }
    EXPECT_FALSE(read_text("usda").ok());
    std::string deep;
    for (int i = 0; i < 100000; ++i) {
        deep += "def \"a\" {";
    }
    EXPECT_NE(problem(deep).find("deep"), std::string::npos);
    EXPECT_NE(problem("def \"a\" { weird x = " + std::string(100000, '[') + "}").find("deep"), std::string::npos);
    const Result<Layer> odd =
        read_text("#usda 1.0\ndef \"a\" { weird x = {a: [1, (2, \"b\")]} float y.spline = {1: 2} }");
    ASSERT_TRUE(odd.ok()) << odd.problem().sentence();
    EXPECT_EQ(odd->unread.size(), 2U) << "what is not known is said";
}

TEST(UsdLayer, AZeroInATextEndsNothing) {
    Layer layer;
    layer.prims.emplace_back();
    layer.prims[0].name = "a";
    const std::string name("pl\0ume", 6);
    layer.prims[0].metadata = {{"displayName", Value::string(name)}, {"kind", Value::token("component")}};
    const Layer read = from_crate(write_crate(layer));
    ASSERT_EQ(read.prims.size(), 1U);
    EXPECT_EQ(read.prims[0].name, "a");
    EXPECT_EQ(*find(read.prims[0].metadata, "displayName")->as_text(), "plume");
    EXPECT_FALSE(read_text(std::string("#usda 1.0\ndef \"a\0b\" {}", 22)).ok());
}

TEST(UsdLayer, ABrokenCrateIsRefusedAtEveryByte) {
    const std::string whole = write_crate(testing::RandomLayer(7).run());
    for (size_t length = 0; length < whole.size(); length += 1 + whole.size() / 400) {
        EXPECT_FALSE(read_crate(std::make_shared<const std::string>(whole.substr(0, length))).ok()) << length;
    }
    // A byte changed: read as something else or refused, and never more than that.
    std::mt19937 random(3);
    for (int i = 0; i < 400; ++i) {
        std::string changed = whole;
        changed[random() % changed.size()] = static_cast<char>(random());
        (void)read_crate(std::make_shared<const std::string>(std::move(changed)));
    }
}

// Found by the fuzzer: written as a crate and read again it was another path.
TEST(UsdLayer, APathToAPropertyOfNoPrimIsRefused) {
    const auto layer = [](const std::string& path) {
        return read_text("#usda 1.0\ndef Xform \"bird\"\n{\n    rel look = <" + path + ">\n}\n").ok();
    };
    EXPECT_FALSE(layer("/.bird/look"));
    EXPECT_FALSE(layer("/bird/.look"));
    EXPECT_TRUE(layer("/bird/look"));
    EXPECT_TRUE(layer("/bird.look"));
    EXPECT_TRUE(layer("../bird/../look"));
}

TEST(UsdLayer, PathsAreTakenApart) {
    EXPECT_EQ(absolute_path("../c", "/a/b"), "/a/c");
    EXPECT_EQ(absolute_path("c.x", "/a/b"), "/a/b/c.x");
    EXPECT_EQ(absolute_path(".x", "/a"), "/a.x");
    EXPECT_EQ(absolute_path("/c", "/a"), "/c");
    EXPECT_EQ(prim_path("/a/b.points"), "/a/b");
    EXPECT_EQ(last_of_path("/a/b.points"), "b.points");
    const std::vector<PathElement> elements = elements_of("/a/b.primvars:st.x");
    ASSERT_EQ(elements.size(), 3U);
    EXPECT_EQ(elements[2].name, "primvars:st.x");
    EXPECT_TRUE(elements[2].is_property);
}

} // namespace
} // namespace wembrix::usd
