// A package from the window: only what arrived goes in, beside another variant, and it reads back whole.
#include "bench_fixture.h"
#include "core/delivery/package.h"
#include "stations/deliver/package_dialog.h"

#include <QRadioButton>

namespace wembrix::app {
namespace {

class Packing : public Bench {
  protected:
    /// A variant of the job, in the same folder.
    std::filesystem::path another(const char* name) {
        const Result<Job> job = read_job(job_file.toStdString());
        const std::filesystem::path file = std::filesystem::path(folder.path().toStdString()) / name;
        Job variant = new_variant(*job, "wet");
        variant.name = "tansy_wet";
        EXPECT_TRUE(write_job(variant, file).ok());
        return file;
    }
    QDialog* dialog() { return window->findChild<QDialog*>(QStringLiteral("packageDialog")); }
    template <class T> T* in_dialog(const char* name) { return dialog()->findChild<T*>(QString::fromUtf8(name)); }
    void make() {
        auto* button = in_dialog<QPushButton>("go");
        ASSERT_TRUE(button->isEnabled());
        QTest::mouseClick(button, Qt::LeftButton);
        ASSERT_TRUE(wait_for([&] { return button->isVisible(); }));
    }
};

TEST_F(Packing, WhatArrivedGoesIntoAnArchiveThatReadsBackWhole) {
    open_mended();
    window->document().edit("give it ids", [](Job& job) { give_ids(job); });
    window->choose_station("deliver");
    settle();
    QTest::mouseClick(window->findChild<QPushButton*>(QStringLiteral("openPackage")), Qt::LeftButton);
    ASSERT_NE(dialog(), nullptr);
    auto* parts = in_dialog<QTreeWidget>("packageParts");
    ASSERT_EQ(parts->topLevelItemCount(), 2);
    EXPECT_FALSE(parts->topLevelItem(0)->flags() & Qt::ItemIsUserCheckable) << "nothing was delivered";
    EXPECT_FALSE(in_dialog<QPushButton>("go")->isEnabled());

    // To one of the destinations: that one can go in, as soon as it is there.
    std::vector<CellKey> cells;
    for (const CellKey& cell : window->board().planned()) {
        if (cell.first == "Tidewater runtime") {
            cells.push_back(cell);
        }
    }
    window->runner().deliver_cells(cells);
    ASSERT_TRUE(wait_for([&] { return !window->runner().is_running() && window->board().is_current(); }));
    settle();
    EXPECT_EQ(parts->topLevelItem(0)->checkState(0), Qt::Checked) << parts->topLevelItem(0)->text(2).toStdString();
    EXPECT_FALSE(parts->topLevelItem(1)->flags() & Qt::ItemIsUserCheckable);
    QTest::keyClicks(in_dialog<QLineEdit>("packageName"), "harbour");
    QTest::keyClicks(in_dialog<QLineEdit>("packageCredits"), "the two of us");
    make();
    const std::filesystem::path made = (folder.path() + QStringLiteral("/packages/harbour.zip")).toStdString();
    EXPECT_TRUE(in_dialog<QLabel>("packageSaid")->text().contains("read back whole"))
        << in_dialog<QLabel>("packageSaid")->text().toStdString();
    const Result<PackageCheck> check = check_package(made);
    ASSERT_TRUE(check) << check.problem().sentence();
    EXPECT_TRUE(check->is_whole());
    EXPECT_GT(check->files, cells.size()) << "the files and their manifest";
    EXPECT_EQ(check->list.value("credits", ""), "the two of us");
    // What was opened is the folder that it lies in.
    QUrl opened;
    window->page<DeliverStation>().set_opener([&](const QUrl& url) { opened = url; });
    QTest::mouseClick(in_dialog<QPushButton>("packageShow"), Qt::LeftButton);
    EXPECT_EQ(opened.toLocalFile(), folder.path() + QStringLiteral("/packages"));

    // As a folder, beside it.
    QTest::mouseClick(in_dialog<QRadioButton>("packageFolder"), Qt::LeftButton);
    make();
    const Result<PackageCheck> unpacked =
        check_package((folder.path() + QStringLiteral("/packages/harbour")).toStdString());
    ASSERT_TRUE(unpacked) << unpacked.problem().sentence();
    EXPECT_EQ(unpacked->files, check->files);

    // A variant that was never delivered holds it back, by name, and nothing is left of the attempt.
    auto* packages = dynamic_cast<QWidget*>(dialog());
    ASSERT_NE(packages, nullptr);
    static_cast<PackageDialog*>(packages)->add_job(QString::fromStdString(another("tansy_wet.wembrix").string()));
    ASSERT_EQ(parts->topLevelItemCount(), 3);
    make();
    EXPECT_TRUE(in_dialog<QLabel>("packageSaid")->text().contains("Deliver it first"))
        << in_dialog<QLabel>("packageSaid")->text().toStdString();
    EXPECT_EQ(QDir(folder.path() + QStringLiteral("/packages"))
                  .entryList(QDir::AllEntries | QDir::Hidden | QDir::NoDotAndDotDot)
                  .size(),
              2);
    if (const QString to = qEnvironmentVariable("WEMBRIX_DIALOG_SHOTS"); !to.isEmpty()) {
        dialog()->grab().save(to + QStringLiteral("/package.png"));
        window->grab().save(to + QStringLiteral("/board.png"));
    }
    parts->setCurrentItem(parts->topLevelItem(2));
    QTest::mouseClick(in_dialog<QPushButton>("packageRemove"), Qt::LeftButton);
    EXPECT_EQ(parts->topLevelItemCount(), 2);
}

} // namespace
} // namespace wembrix::app
