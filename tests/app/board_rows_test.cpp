// A board with thousands of rows (ten thousand: see bench/window_bench.cpp): found, filtered, grouped, folded, and
// delivered as shown.
#include "bench_fixture.h"
#include "core/base/files.h"
#include "core/delivery/manifest.h"
#include "core/delivery/second_reader.h"

#include <QComboBox>
#include <QDir>
#include <QFileInfo>
#include <QImage>

namespace wembrix::app {
namespace {

class ManyFiles : public Bench {
  protected:
    void open_many(int count) {
        Result<Job> job = read_job(job_file.toStdString());
        for (const char* step : {"strip_prefix", "bake_parent_transforms"}) {
            job->steps.push_back({step});
        }
        job->steps.push_back({"scale", {{"factor", 0.01}}});
        job->steps.push_back({"make_root", {{"name", "root"}}});
        nlohmann::json clips = nlohmann::json::array();
        for (int i = 0; i < count; ++i) {
            clips.push_back({{"name", fmt_name(i)}, {"start", i % 880}, {"end", i % 880 + 10}, {"loop", false}});
        }
        job->steps.push_back({"split_take", {{"take", "capture_07"}, {"clips", clips}}});
        ASSERT_TRUE(write_job(*job, job_file.toStdString()).ok());
        open();
        window->choose_station("deliver");
        settle();
    }
    static std::string fmt_name(int i) {
        std::string digits = std::to_string(i);
        return "c_" + std::string(5 - std::min<size_t>(5, digits.size()), '0') + digits;
    }
    BoardRows& rows() { return window->page<DeliverStation>().board_rows(); }
    BoardView& view() { return window->page<DeliverStation>().board_view(); }
    void choose(const char* box, const QString& text) {
        auto* combo = child<QComboBox>(box);
        const int at = combo->findText(text);
        ASSERT_GE(at, 0) << text.toStdString();
        combo->setCurrentIndex(at);
    }
};

TEST_F(ManyFiles, AreFoundFilteredGroupedAndFolded) {
    open_many(2000);
    ASSERT_EQ(window->board().rowCount(), 2001);
    EXPECT_EQ(rows().rowCount(), 2001);
    QTest::keyClicks(child<QLineEdit>("boardText"), "c_0123 clip");
    EXPECT_EQ(rows().rowCount(), 10);
    EXPECT_EQ(child<QPushButton>("deliverAll")->text(), "Deliver these 20");
    choose("boardDestination", "Lantern web view");
    EXPECT_EQ(rows().columnCount(), 2);
    EXPECT_EQ(child<QPushButton>("deliverAll")->text(), "Deliver these 10");
    // Those go out, and nothing else.
    QTest::mouseClick(child<QPushButton>("deliverAll"), Qt::LeftButton);
    ASSERT_TRUE(wait_for([&] { return !window->runner().is_running() && window->board().is_current(); }));
    settle();
    EXPECT_EQ(window->board().count(CellState::arrived), 10);
    EXPECT_TRUE(QFile::exists(folder.filePath("deliveries/Lantern_web_view/tansy_c_01234.glb")));
    EXPECT_FALSE(QFile::exists(folder.filePath("deliveries/Lantern_web_view/tansy_c_01240.glb")));
    EXPECT_FALSE(QFile::exists(folder.filePath("deliveries/Tidewater_runtime/tansy_c_01234.glb")));
    QTest::mouseClick(child<QPushButton>("boardShowAll"), Qt::LeftButton);
    EXPECT_EQ(rows().rowCount(), 2001);
    EXPECT_EQ(rows().columnCount(), 3);
    choose("boardState", "Arrived");
    EXPECT_EQ(rows().rowCount(), 10);
    choose("boardState", "Due");
    EXPECT_EQ(rows().rowCount(), 2001) << "each is due for one destination at least";
    choose("boardDestination", "Lantern web view");
    EXPECT_EQ(rows().rowCount(), 1991);
    QTest::mouseClick(child<QPushButton>("boardShowAll"), Qt::LeftButton);
    choose("boardKind", "Model");
    EXPECT_EQ(rows().rowCount(), 1);
    QTest::mouseClick(child<QPushButton>("boardShowAll"), Qt::LeftButton);
    choose("boardGroup", "By kind");
    ASSERT_EQ(rows().rowCount(), 2003);
    EXPECT_EQ(rows().heading(0)->toStdString(), "Model · 1 file");
    EXPECT_EQ(rows().heading(2)->toStdString(), "Clips · 2000 files");
    // A click on a heading folds its group away, another one brings it back.
    const auto click_heading = [&](int row) {
        QTest::mouseClick(view().viewport(), Qt::LeftButton, {}, view().visualRect(rows().index(row, 0)).center());
    };
    click_heading(2);
    EXPECT_EQ(rows().rowCount(), 3);
    EXPECT_EQ(rows().file_count(), 2001) << "folded away is not left out";
    click_heading(2);
    EXPECT_EQ(rows().rowCount(), 2003);
}

TEST_F(ManyFiles, FilesGoIntoTheEnginesFolderAndTheBoardSaysWhenItHasTakenThem) {
    open_many(1);
    const QString game = folder.filePath("game/models");
    ASSERT_TRUE(QDir().mkpath(folder.filePath("game")));
    window->document().edit("hand over", [&](Job& job) {
        job.destinations.resize(1);
        job.destinations[0].folder = "game/models";
        job.destinations[0].import_record = "{file}.import";
    });
    settle();
    window->runner().deliver_cells(window->board().planned());
    ASSERT_TRUE(wait_for([&] { return !window->runner().is_running() && window->board().is_current(); }));
    settle();
    ASSERT_TRUE(QFileInfo::exists(game + "/tansy_model.glb"));
    EXPECT_FALSE(QFileInfo::exists(folder.filePath("deliveries/Tidewater_runtime")));
    const auto detail = [&](int row) { return window->board().cell(window->board().index(row, 1))->detail; };
    ASSERT_TRUE(detail(0).startsWith("not taken")) << detail(0).toStdString();
    // The engine imports the model, and nothing else yet.
    QFile record(game + "/tansy_model.glb.import");
    ASSERT_TRUE(record.open(QIODevice::WriteOnly) && record.write("imported") > 0);
    record.close();
    ASSERT_TRUE(wait_for([&] { return detail(0).startsWith("taken"); })) << "by itself, within seconds";
    EXPECT_TRUE(detail(1).startsWith("not taken")) << detail(1).toStdString();
    // The next version waits again.
    window->document().edit("scale", [](Job& job) { job.steps.push_back({"scale", {{"factor", 1.5}}}); });
    settle();
    window->runner().deliver_cells(window->board().due());
    ASSERT_TRUE(wait_for([&] { return !window->runner().is_running() && window->board().is_current(); }));
    settle();
    EXPECT_TRUE(detail(0).startsWith("not taken")) << detail(0).toStdString();
}

TEST_F(ManyFiles, TheReportOfADeliveryOpensFromItsBoard) {
    open_many(2);
    auto* report = child<QPushButton>("openReport");
    EXPECT_FALSE(report->isEnabled()) << "nothing was delivered";
    window->document().edit("ask for a report", [](Job& job) {
        job.destinations[1].report = true;
        job.destinations[1].pictures = 64;
    });
    settle();
    window->runner().deliver_cells(window->board().planned());
    ASSERT_TRUE(wait_for([&] { return !window->runner().is_running() && window->board().is_current(); }));
    settle();
    // A picture of one's own, beside the job.
    const QString own = folder.filePath("own.png");
    QImage picture(64, 64, QImage::Format_RGB32);
    picture.fill(Qt::blue);
    ASSERT_TRUE(picture.save(own));
    view().setCurrentIndex(rows().index(0, 2));
    window->page<DeliverStation>().set_own_picture(own);
    settle();
    EXPECT_EQ(window->document().job().pictures.at("model"), "own.png");
    EXPECT_EQ(window->board().count(CellState::stale), 1) << "where pictures go out it is due";
    window->runner().deliver_cells(window->board().due());
    ASSERT_TRUE(wait_for([&] { return !window->runner().is_running() && window->board().is_current(); }));
    settle();
    const QImage there(folder.filePath("deliveries/Lantern_web_view/pictures/tansy_model.glb.png"));
    EXPECT_EQ(there.pixelColor(32, 32), QColor(Qt::blue));
    QUrl opened;
    for (const auto& [column, of_its_own] : {std::pair(2, true), std::pair(1, false)}) {
        view().setCurrentIndex(rows().index(0, column));
        ASSERT_TRUE(report->isEnabled());
        window->page<DeliverStation>().set_opener([&](const QUrl& url) { opened = url; });
        QTest::mouseClick(report, Qt::LeftButton);
        const Result<std::string> page = read_file(opened.toLocalFile().toStdString());
        ASSERT_TRUE(page.ok()) << opened.toString().toStdString();
        EXPECT_NE(page->find("tansy_c_00001.glb"), std::string::npos);
        EXPECT_EQ(opened.toLocalFile().startsWith(folder.path()), of_its_own);
        EXPECT_EQ(page->find("data:image/png") != std::string::npos, of_its_own);
    }
}

TEST_F(ManyFiles, AnotherImporterIsAskedAndItsAnswerStandsUnderTheClaims) {
    if (!second_reader()) {
        GTEST_SKIP() << how_to_get_second_reader();
    }
    open_many(1);
    auto* ask = child<QPushButton>("askSecondReader");
    view().setCurrentIndex(rows().index(0, 2));
    EXPECT_FALSE(ask->isVisible()) << "nothing was delivered";
    window->runner().deliver_cells({window->board().planned()[1]});
    ASSERT_TRUE(wait_for([&] { return !window->runner().is_running() && window->board().is_current(); }));
    settle();
    view().setCurrentIndex(rows().index(0, 2));
    ASSERT_TRUE(wait_for([&] { return ask->isVisible() && ask->isEnabled(); }));
    auto* claims = child<QTableWidget>("claims");
    const int before = claims->rowCount();
    QTest::mouseClick(ask, Qt::LeftButton);
    EXPECT_EQ(ask->text(), "Asking…");
    ASSERT_TRUE(wait_for([&] { return claims->rowCount() > before; }, 150));
    QStringList names;
    for (int row = 0; row < claims->rowCount(); ++row) {
        names << claims->item(row, 0)->text();
        EXPECT_TRUE(claims->item(row, 4)->text().contains("Pass"))
            << names.back().toStdString() << ": " << claims->item(row, 2)->text().toStdString() << ", "
            << claims->item(row, 2)->toolTip().toStdString();
    }
    EXPECT_TRUE(names.contains("Second reader: joints") && names.contains("Second reader: bounds"))
        << names.join(", ").toStdString();
    EXPECT_FALSE(ask->isEnabled()) << "it has answered";
}

} // namespace
} // namespace wembrix::app
