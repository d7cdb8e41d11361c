// Files that go into a folder of the engine's project, and whether it has taken them.
#include "core/base/files.h"
#include "core/delivery/board.h"
#include "core/delivery/delivery_folder.h"
#include "core/delivery/made_from.h"
#include "core/delivery/taken.h"
#include "random_rig.h"

#include <fstream>
#include <gtest/gtest.h>

namespace wembrix::testing {
namespace {

namespace fs = std::filesystem;

class HandedOver : public ::testing::Test {
  protected:
    HandedOver()
        : folder(fs::temp_directory_path() /
                 ("wembrix_taken_" + std::string(::testing::UnitTest::GetInstance()->current_test_info()->name()))) {
        fs::remove_all(folder);
        fs::create_directories(folder);
        destination.import_record = "{file}.import";
    }
    void write(const std::string& name) const { std::ofstream(folder / name) << name; }
    /// As if it had been written so much later than now.
    void age(const std::string& name, std::chrono::seconds by) const {
        fs::last_write_time(folder / name, fs::file_time_type::clock::now() + by);
    }
    fs::path folder;
    Destination destination = built_in_destinations()[0];
};

TEST_F(HandedOver, ARecordThatIsLaterThanTheFileSaysThatItWasTaken) {
    using std::chrono::seconds;
    write("lamp.glb");
    EXPECT_EQ(taken_by_engine(folder, "lamp.glb", destination), Taken::waiting);
    write("lamp.glb.import");
    age("lamp.glb.import", seconds(5));
    EXPECT_EQ(taken_by_engine(folder, "lamp.glb", destination), Taken::taken);
    age("lamp.glb.import", seconds(-60)); // of the file that was there before
    EXPECT_EQ(taken_by_engine(folder, "lamp.glb", destination), Taken::waiting);
    // When a file was written does not matter: it is put in place later than that.
    age("lamp.glb.import", seconds(5));
    age("lamp.glb", seconds(600));
    EXPECT_EQ(taken_by_engine(folder, "lamp.glb", destination), Taken::taken);
    destination.import_record = "records/{file}.json";
    EXPECT_EQ(taken_by_engine(folder, "lamp.glb", destination), Taken::waiting);
    fs::create_directories(folder / "records");
    write("records/lamp.glb.json");
    age("records/lamp.glb.json", seconds(5));
    EXPECT_EQ(taken_by_engine(folder, "lamp.glb", destination), Taken::taken);
    destination.import_record.clear();
    EXPECT_EQ(taken_by_engine(folder, "lamp.glb", destination), Taken::cannot_know);
    destination.import_record = "../../{file}"; // leads out of the folder
    EXPECT_EQ(taken_by_engine(folder, "lamp.glb", destination), Taken::waiting);
}

TEST_F(HandedOver, AFolderOfItsOwnIsUsedAndNeverMadeUp) {
    EXPECT_EQ(delivery_folder("/jobs", "deliveries", destination), fs::path("/jobs/deliveries/Tidewater_runtime"));
    destination.folder = "/game/models";
    EXPECT_EQ(delivery_folder("/jobs", "deliveries", destination), fs::path("/game/models"));
    destination.folder = "../game/models";
    EXPECT_EQ(delivery_folder("/jobs/tansy", "deliveries", destination), fs::path("/jobs/game/models"));

    const Scene rig = random_rig(3, options_for(3));
    DeliveryRequest request;
    request.prepared = &rig;
    request.job_name = "rig";
    request.destination = destination;
    request.destination.folder = (folder / "not" / "there").string();
    request.folder = request.destination.folder;
    const Result<DeliveryReport> refused = deliver(request);
    ASSERT_FALSE(refused);
    EXPECT_NE(refused.problem().sentence().find("is not there"), std::string::npos);
    EXPECT_FALSE(fs::exists(folder / "not"));
    request.destination.folder = (folder / "models").string();
    request.folder = request.destination.folder;
    EXPECT_TRUE(deliver(request));
    EXPECT_TRUE(fs::exists(folder / "models" / "delivery.json"));
}

TEST_F(HandedOver, WhereFilesGoIsNoPartOfWhatIsInThem) {
    Destination other = destination;
    other.folder = "/elsewhere";
    other.import_record = "{file}.done";
    EXPECT_EQ(hash_of_destination(destination), hash_of_destination(other));
    const Scene rig = random_rig(3, options_for(3));
    EXPECT_EQ(content_of_model(rig, destination, "rig"), content_of_model(rig, other, "rig"));
    EXPECT_FALSE(destination_from_json({{"name", "x"}, {"import_record", "done"}}, ""))
        << "the same record for every file";
    std::vector<Destination> two = built_in_destinations();
    two[0].folder = "/game/models/";
    two[1].folder = "/game/../game/models/";
    EXPECT_TRUE(shared_folder(two));
    two[1].folder = "/game/others";
    EXPECT_FALSE(shared_folder(two));
}

} // namespace
} // namespace wembrix::testing
