// The view in its three ways, the destinations, the guide.
#include "bench_fixture.h"
#include "session/library.h"
#include "session/log.h"
#include "shell/destinations_dialog.h"
#include "shell/guide_window.h"
#include "shell/origin_dialog.h"
#include "shell/palette.h"
#include "shell/preferences.h"
#include "shell/step_dialog.h"
#include "style/theme.h"

#include <QCheckBox>
#include <QDialogButtonBox>
#include <QDir>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QMenuBar>
#include <QMessageBox>
#include <QPushButton>
#include <QRegularExpression>
#include <QScrollBar>
#include <QStandardPaths>
#include <QTemporaryDir>
#include <QTextBrowser>
#include <csignal>
#include <map>
#include <set>

namespace wembrix::app {
namespace {

TEST_F(Bench, TheViewShowsTwoStatesInThreeWays) {
    open_mended();
    TwinView& twin = window->twin();
    EXPECT_TRUE(twin.left().isVisible());
    QTest::mouseClick(child<QPushButton>("difference"), Qt::LeftButton);
    ASSERT_TRUE(wait_for([&] { return twin.right().view().difference() != nullptr; }));
    EXPECT_FALSE(twin.left().isVisible());
    EXPECT_TRUE(twin.right().view().difference()->compares_anything());
    EXPECT_LT(twin.right().view().difference()->largest(), 0.5) << "mended, not moved";
    QTest::mouseClick(child<QPushButton>("overlaid"), Qt::LeftButton);
    ASSERT_TRUE(
        wait_for([&] { return twin.right().view().is_ready() && twin.right().view().difference() == nullptr; }));
    QTest::mouseClick(child<QPushButton>("sideBySide"), Qt::LeftButton);
    EXPECT_TRUE(twin.left().isVisible());
    settle();
    const QImage picture = twin.picture();
    EXPECT_GT(picture.width(), 400);
    EXPECT_GT(picture.height(), 200);
    // Arrived can stand there too, once something has.
    window->runner().deliver_cells(window->board().due());
    ASSERT_TRUE(wait_for([&] { return !window->runner().is_running(); }));
    twin.left().choose_state(State::arrived);
    Q_EMIT twin.left().stateChosen(State::arrived);
    ASSERT_TRUE(wait_for([&] { return twin.left().view().is_ready() && twin.left().view().posed() != nullptr; }));
    EXPECT_EQ(twin.left().view().posed()->scene().clips.size(), 0U) << "the model in its rest pose";
}

TEST_F(Bench, DestinationsAreExplainedCheckedResetAndKept) {
    DestinationsDialog dialog(built_in_destinations());
    dialog.show();
    auto* influences = dialog.findChild<QLineEdit*>("destination_max_influences");
    auto* problem = dialog.findChild<QLabel*>("destinationProblem");
    auto* use = dialog.findChild<QPushButton*>("go");
    influences->clear();
    QTest::keyClicks(influences, "0");
    EXPECT_FALSE(problem->text().isEmpty());
    EXPECT_FALSE(use->isEnabled());
    influences->clear();
    QTest::keyClicks(influences, "8");
    EXPECT_TRUE(use->isEnabled()) << problem->text().toStdString();
    EXPECT_EQ(dialog.destinations()[0].influences, 8);
    QTest::mouseClick(dialog.findChild<QPushButton*>("resetDestination"), Qt::LeftButton);
    EXPECT_EQ(dialog.destinations()[0].influences, 4);
    auto* name = dialog.findChild<QLineEdit*>("destination_name");
    name->clear();
    QTest::keyClicks(name, "Lantern web view");
    EXPECT_TRUE(problem->text().contains("Another destination"));
    name->clear();
    QTest::keyClicks(name, "Harbour handheld");
    QTest::mouseClick(dialog.findChild<QPushButton*>("keepDestination"), Qt::LeftButton);
    ASSERT_TRUE(from_library("Harbour handheld").has_value());
    EXPECT_EQ(dialog.destinations()[0].name, "Harbour handheld");
    QFile::remove(QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) +
                  "/destinations/Harbour_handheld.destination.json");
    EXPECT_FALSE(from_library("Harbour handheld").has_value());
}

TEST_F(Bench, AJobIsNamedAfterItsFamilyAndSavedAsAnotherVariant) {
    open();
    JobFiles& files = window->files();
    const QString path = window->document().path();
    {
        OriginDialog dialog(window->document().job().origin);
        dialog.findChild<QLineEdit*>("familyName")->setText("Couriers");
        dialog.findChild<QLineEdit*>("variantName")->setText("plain");
        dialog.findChild<QLineEdit*>("licenseText")->setText("ours alone");
        EXPECT_FALSE(dialog.wants_variant());
        files.set_origin(dialog.origin());
        dialog.findChild<QPushButton*>("newVariant")->click();
        EXPECT_TRUE(dialog.wants_variant());
    }
    const Origin first = window->document().job().origin;
    EXPECT_EQ(first.family, "Couriers");
    EXPECT_EQ(first.license, "ours alone");
    EXPECT_TRUE(is_id(first.family_id) && is_id(first.variant_id));
    files.set_origin({"", "Couriers of the market", "", "plain"});
    EXPECT_EQ(window->document().job().origin.family_id, first.family_id) << "an id stays";
    EXPECT_FALSE(files.save_variant("winter", path).isEmpty()) << "that file is there";
    const QString other = QFileInfo(path).path() + "/winter.wembrix";
    EXPECT_EQ(files.save_variant("winter", other).toStdString(), "");
    ASSERT_TRUE(wait_for([&] { return window->document().path() == other && window->session().is_current(); }));
    const Origin second = window->document().job().origin;
    EXPECT_EQ(second.family_id, first.family_id);
    EXPECT_NE(second.variant_id, first.variant_id);
    EXPECT_EQ(second.variant, "winter");
    EXPECT_EQ(read_job(path.toStdString())->origin.variant_id, first.variant_id) << "the first one was saved as it is";
}

TEST_F(Bench, WhichFilesADestinationIsGivenIsChosenNamedAndSeenBeforehand) {
    open_mended();
    DestinationsDialog dialog(window->document().job().destinations, std::nullopt, window->names_of_files());
    dialog.show();
    auto* preview = dialog.findChild<QLabel*>("filePreview");
    const auto names = [&] { return preview->text().split('\n'); };
    ASSERT_GT(names().size(), 1);
    EXPECT_TRUE(names()[0].endsWith("_model.glb")) << preview->text().toStdString();
    const auto type = [&](const char* field, const char* text) {
        auto* line = dialog.findChild<QLineEdit*>(field);
        ASSERT_NE(line, nullptr) << field;
        line->clear();
        QTest::keyClicks(line, text);
    };
    const auto click = [&](const char* box) {
        auto* kind = dialog.findChild<QCheckBox*>(box);
        ASSERT_NE(kind, nullptr) << box;
        kind->click();
    };
    for (const char* box : {"takes_model", "takes_clip", "takes_strands", "takes_cache", "takes_textures",
                            "takes_shapes", "takes_whole", "takes_prop"}) {
        click(box);
    }
    EXPECT_EQ(dialog.destinations()[0].deliverables, (std::vector<std::string>{"whole", "prop"}));
    type("destination_whole_file", "all/{job}_v{number}");
    type("destination_prop_file", "props/{prop}");
    EXPECT_TRUE(names()[0].startsWith("all/") && names()[0].endsWith("_v1.glb")) << names()[0].toStdString();
    EXPECT_TRUE(names()[1].startsWith("props/"));
    // Two files of one name, or a token that is unknown, stand where the names stood, or hold the window.
    click("takes_clip");
    type("destination_clip_file", "all/{job}_v1");
    EXPECT_TRUE(preview->text().contains("share the file name")) << preview->text().toStdString();
    type("destination_clip_file", "{nobody}");
    EXPECT_FALSE(dialog.findChild<QPushButton*>("go")->isEnabled());
    EXPECT_TRUE(dialog.findChild<QLabel*>("destinationProblem")->text().contains("{nobody}"));
    type("destination_clip_file", "clips/{clip}");
    EXPECT_TRUE(dialog.findChild<QPushButton*>("go")->isEnabled());
    EXPECT_EQ(dialog.destinations()[0].files.at("clip"), "clips/{clip}");
}

TEST_F(Bench, ADestinationsKeysFrontAndReadingAreSetExchangedAndCompared) {
    DestinationsDialog dialog(built_in_destinations());
    dialog.show();
    const auto choose = [&](const char* name, const char* text) {
        auto* box = dialog.findChild<QComboBox*>(QString::fromUtf8(name));
        const int at = box == nullptr ? -1 : box->findText(QString::fromUtf8(text));
        ASSERT_GE(at, 0) << name << " " << text;
        box->setCurrentIndex(at);
        Q_EMIT box->activated(at);
    };
    choose("destination_clip_keys", "As prepared");
    choose("destination_still_channels", "Leave out");
    choose("destination_file_forward", "-Z");
    choose("destination_reads_forward", "+X");
    QTest::keyClicks(dialog.findChild<QLineEdit*>("destination_max_shapes"), "0");
    QTest::keyClicks(dialog.findChild<QLineEdit*>("destination_clip_names"), "[a-z_]+");
    const Destination& now = dialog.destinations()[0];
    EXPECT_EQ(now.clip_keys, ClipKeys::as_prepared);
    EXPECT_FALSE(now.still_channels);
    EXPECT_EQ(now.file_forward, Axis::neg_z);
    ASSERT_TRUE(now.reads);
    EXPECT_EQ(now.reads->forward, Axis::pos_x);
    EXPECT_EQ(now.reads->up, now.axes.up);
    choose("destination_reads_up", "+Y");
    EXPECT_EQ(dialog.destinations()[0].reads->up, Axis::pos_y) << "the project counts Z up";
    EXPECT_EQ(dialog.destinations()[0].axes.up, Axis::pos_z);
    EXPECT_EQ(now.shapes, 0);
    EXPECT_EQ(now.clip_names, "[a-z_]+");

    const QTemporaryDir folder;
    const QString file = folder.filePath("quay.destination.json");
    EXPECT_EQ(dialog.save_file(file).toStdString(), "");
    EXPECT_EQ(dialog.open_file(file).toStdString(), "");
    ASSERT_EQ(dialog.destinations().size(), 3U);
    EXPECT_EQ(dialog.destinations()[2].name, "Tidewater runtime 2") << "two of one name would share a folder";
    EXPECT_EQ(dialog.destinations()[2].clip_keys, ClipKeys::as_prepared);
    QFile broken(file);
    ASSERT_TRUE(broken.open(QIODevice::WriteOnly));
    broken.write("{\"name\": \"x\", \"max_influence\": 4}");
    broken.close();
    EXPECT_TRUE(dialog.open_file(file).contains("max_influences")) << "the key that may be meant";

    auto* others = dialog.findChild<QPushButton*>("compareDestination")->menu();
    Q_EMIT others->aboutToShow();
    ASSERT_GE(others->actions().size(), 3);
    others->actions().at(1)->trigger(); // Lantern web view
    auto* table = dialog.findChild<QTableWidget*>("differenceTable");
    ASSERT_NE(table, nullptr);
    QStringList keys;
    for (int row = 0; row < table->rowCount(); ++row) {
        keys << table->item(row, 0)->text();
    }
    EXPECT_TRUE(keys.contains("clip_keys") && keys.contains("reads.forward") && !keys.contains("name"))
        << keys.join(' ').toStdString();

    // Set back: nothing of it stands in the file any more.
    choose("destination_reads_forward", "By the shortest rotation");
    EXPECT_EQ(dialog.destinations()[2].reads->up, Axis::pos_y) << "opened as it was saved, and not set back by the way";
    choose("destination_reads_up", "As the up axis above");
    dialog.findChild<QLineEdit*>("destination_max_shapes")->clear();
    QTest::keyClicks(dialog.findChild<QLineEdit*>("destination_max_shapes"), " ");
    EXPECT_FALSE(dialog.destinations()[2].reads);
    EXPECT_EQ(dialog.destinations()[2].shapes, -1);
}

/// The letters that reach a field or button of a window with Alt, each with what has it.
std::multimap<QString, QString> letters_of(const QWidget& dialog) {
    std::multimap<QString, QString> letters;
    const auto add = [&](const QString& text) {
        if (const QKeySequence keys = QKeySequence::mnemonic(text); !keys.isEmpty()) {
            letters.emplace(keys.toString(), text);
        }
    };
    for (const QLabel* label : dialog.findChildren<QLabel*>()) {
        if (label->buddy() != nullptr) {
            add(label->text());
        }
    }
    for (const QAbstractButton* button : dialog.findChildren<QAbstractButton*>()) {
        add(button->text());
    }
    return letters;
}

TEST_F(Bench, FieldsAreReachedByALetter) {
    StepDialog step({"scale"}, {}, nullptr);
    DestinationsDialog destinations(built_in_destinations());
    for (QDialog* dialog : {static_cast<QDialog*>(&step), static_cast<QDialog*>(&destinations)}) {
        const std::multimap<QString, QString> letters = letters_of(*dialog);
        EXPECT_GE(letters.size(), 3U);
        for (const auto& [letter, text] : letters) {
            EXPECT_EQ(letters.count(letter), 1U)
                << (letter + " of " + text + " in " + dialog->windowTitle()).toStdString();
        }
        for (const QLabel* label : dialog->findChildren<QLabel*>()) {
            if (label->buddy() != nullptr && letters.size() < 20) {
                EXPECT_TRUE(label->text().contains('&')) << label->text().toStdString();
            }
        }
    }
    // The letter takes one there.
    destinations.show();
    QApplication::setActiveWindow(&destinations);
    QLabel* root = nullptr;
    for (QLabel* label : destinations.findChildren<QLabel*>()) {
        root = QString(label->text()).remove('&') == "Root joint" ? label : root;
    }
    ASSERT_NE(root, nullptr);
    const QKeySequence keys = QKeySequence::mnemonic(root->text());
    ASSERT_FALSE(keys.isEmpty()) << root->text().toStdString();
    QTest::keyClick(&destinations, static_cast<Qt::Key>(keys[0].key()), Qt::AltModifier);
    EXPECT_EQ(QApplication::focusWidget(), destinations.findChild<QLineEdit*>("destination_root"));
}

TEST_F(Bench, ADestinationHasTheOptionsOfItsContainer) {
    DestinationsDialog dialog(built_in_destinations());
    dialog.show();
    EXPECT_TRUE(dialog.destinations() == built_in_destinations()) << "looking at a destination sets nothing in it";
    auto* container = dialog.findChild<QComboBox*>("destination_container");
    const auto choose = [](QComboBox* box, const char* text) {
        box->setCurrentIndex(box->findText(QString::fromUtf8(text), Qt::MatchStartsWith));
        Q_EMIT box->activated(box->currentIndex());
    };
    choose(container, "USD, one");
    EXPECT_EQ(dialog.findChild<QWidget*>("containerOptions"), nullptr) << "it has none";
    choose(container, "BVH");
    auto* order = dialog.findChild<QComboBox*>("option_rotation_order");
    ASSERT_NE(order, nullptr);
    EXPECT_EQ(order->currentText(), "ZXY") << "what holds where nothing is set";
    choose(order, "YXZ");
    auto* decimals = dialog.findChild<QLineEdit*>("option_decimals");
    auto* problem = dialog.findChild<QLabel*>("destinationProblem");
    auto* apply = dialog.findChild<QPushButton*>("go");
    QTest::keyClicks(decimals, "2");
    EXPECT_TRUE(problem->text().contains("between 3 and 9")) << problem->text().toStdString();
    EXPECT_FALSE(apply->isEnabled());
    decimals->clear();
    QTest::keyClicks(decimals, "4");
    EXPECT_TRUE(problem->text().isEmpty()) << problem->text().toStdString();
    EXPECT_EQ(dialog.destinations()[0].options_of("bvh"), nlohmann::json({{"rotation_order", "YXZ"}, {"decimals", 4}}));
    choose(container, "glTF 2.0, text with its buffer inside");
    EXPECT_EQ(dialog.findChild<QComboBox*>("option_rotation_order"), nullptr);
    QTest::mouseClick(dialog.findChild<QCheckBox*>("option_one_line"), Qt::LeftButton, {}, QPoint(8, 8));
    EXPECT_EQ(dialog.destinations()[0].options_of("gltf_embedded"), nlohmann::json({{"one_line", true}}));
    choose(container, "BVH");
    EXPECT_EQ(dialog.findChild<QComboBox*>("option_rotation_order")->currentText(), "YXZ")
        << "kept when the container changes";
    choose(dialog.findChild<QComboBox*>("destination_handedness"), "Left");
    choose(dialog.findChild<QComboBox*>("destination_keep_last"), "Leave");
    EXPECT_EQ(dialog.destinations()[0].axes.handedness, Handedness::left);
    EXPECT_FALSE(dialog.destinations()[0].keep_last);
    EXPECT_TRUE(dialog.destinations()[1] == built_in_destinations()[1]) << "the other one is as it was";
}

TEST_F(Bench, TheGuideIsInTheProgram) {
    GuideWindow guide;
    std::set<QString> seen;
    EXPECT_EQ(guide.pages().size(), QDir(":/guide").entryList({"*.md"}).size());
    for (const char* station : {"intake", "joints", "surface", "takes", "strands", "deliver", "trouble", "formats"}) {
        EXPECT_TRUE(guide.pages().contains(station)) << station;
    }
    for (const QString& page : guide.pages()) {
        guide.show_page(page);
        EXPECT_GT(guide.text().size(), 300) << page.toStdString();
        EXPECT_TRUE(seen.insert(guide.text()).second) << page.toStdString() << " shows the page before it";
    }
    guide.show_page(QStringLiteral("takes"));
    auto* browser = guide.findChild<QTextBrowser*>("guideText");
    for (const char* picture : {"takes.png", "takes-curves.png"}) {
        const QVariant shown = browser->loadResource(QTextDocument::ImageResource, QUrl(QString::fromUtf8(picture)));
        EXPECT_GT(shown.value<QImage>().height(), 100) << picture;
    }
}

TEST_F(Bench, TheGuideIsSearchedAndItsLinksLeadOn) {
    GuideWindow guide;
    guide.show();
    QApplication::setActiveWindow(&guide);
    auto* list = guide.findChild<QListWidget*>("guidePages");
    auto* search = guide.findChild<QLineEdit*>("guideSearch");
    auto* browser = guide.findChild<QTextBrowser*>("guideText");
    auto* back = guide.findChild<QPushButton*>("guideBack");
    QTest::keyClick(&guide, Qt::Key_F, Qt::ControlModifier);
    EXPECT_TRUE(search->hasFocus());
    QTest::keyClicks(search, "lying down");
    ASSERT_GT(list->count(), 0);
    QTest::keyClick(search, Qt::Key_Return);
    EXPECT_TRUE(guide.text().startsWith("By trouble")) << guide.text().left(40).toStdString();
    EXPECT_FALSE(browser->extraSelections().isEmpty()) << "the words are marked";
    if (const QString to = qEnvironmentVariable("WEMBRIX_DIALOG_SHOTS"); !to.isEmpty()) {
        guide.grab().save(to + "/guide.png");
    }
    search->clear();
    QTest::keyClicks(search, "qwertyuiop");
    EXPECT_TRUE(list->item(0)->text().contains("Nothing"));
    EXPECT_FALSE(list->item(0)->flags().testFlag(Qt::ItemIsSelectable));
    search->clear();
    EXPECT_EQ(list->count(), guide.pages().size());
    // A link to a heading of another page goes there, and back.
    guide.show_page("trouble");
    Q_EMIT browser->anchorClicked(QUrl("joints.md#build"));
    EXPECT_TRUE(guide.text().startsWith("Joints"));
    EXPECT_GT(browser->verticalScrollBar()->value(), 100);
    QTest::mouseClick(back, Qt::LeftButton);
    EXPECT_TRUE(guide.text().startsWith("By trouble"));
}

TEST_F(Bench, EverythingIsFoundByTyping) {
    open_cut();
    const auto open_palette = [&] {
        QTest::keyClick(window.get(), Qt::Key_K, Qt::ControlModifier);
        auto* palette = window->findChild<Palette*>("palette");
        EXPECT_NE(palette, nullptr);
        return palette;
    };
    const auto type = [&](const char* words) {
        Palette* palette = open_palette();
        auto* field = palette->findChild<QLineEdit*>("paletteField");
        QTest::keyClicks(field, QString::fromUtf8(words));
        const auto* list = palette->findChild<QListWidget*>("paletteList");
        const QString first = list->count() == 0 ? QString() : list->item(0)->text();
        QTest::keyClick(field, Qt::Key_Return);
        QApplication::sendPostedEvents(nullptr, QEvent::DeferredDelete);
        QTest::qWait(20);
        return first;
    };
    // A station, a command, a joint, a clip and a finding.
    EXPECT_TRUE(type("deliver").contains("Deliver"));
    EXPECT_EQ(window->pages()[static_cast<size_t>(window->station())]->kind().id, std::string("deliver"));
    EXPECT_TRUE(type("names of the joints").contains("View › Names of the joints"));
    EXPECT_TRUE(window->twin().shown().names);
    const Scene& prepared = window->session().state()->replay.prepared();
    const int head = joints_of(prepared).back();
    EXPECT_TRUE(type(prepared.nodes[static_cast<size_t>(head)].name.c_str()).startsWith("Joint"));
    EXPECT_EQ(window->selection().current(), prepared.nodes[static_cast<size_t>(head)].identity);
    EXPECT_EQ(window->pages()[static_cast<size_t>(window->station())]->kind().id, std::string("joints"));
    ASSERT_FALSE(prepared.clips.empty());
    EXPECT_TRUE(type(prepared.clips.back().name.c_str()).contains(QString::fromStdString(prepared.clips.back().name)));
    EXPECT_EQ(window->clock().clip().toStdString(), prepared.clips.back().name);
    // Down chooses the next one, Escape leaves everything as it is, nonsense finds nothing and does nothing.
    Palette* palette = open_palette();
    auto* list = palette->findChild<QListWidget*>("paletteList");
    if (const QString to = qEnvironmentVariable("WEMBRIX_DIALOG_SHOTS"); !to.isEmpty()) {
        QTest::keyClicks(palette->findChild<QLineEdit*>("paletteField"), "pose");
        palette->grab().save(to + "/palette.png");
        palette->findChild<QLineEdit*>("paletteField")->clear();
    }
    QTest::keyClick(palette->findChild<QLineEdit*>("paletteField"), Qt::Key_Down);
    EXPECT_EQ(list->currentRow(), 1);
    QTest::keyClick(palette, Qt::Key_Escape);
    QTest::qWait(20);
    EXPECT_EQ(window->findChild<Palette*>("palette"), nullptr);
    EXPECT_EQ(type("qwertyuiop"), "");
    QTest::keyClick(window->findChild<Palette*>("palette"), Qt::Key_Escape);
}

TEST_F(Bench, TheLogSaysWhatWasOpenedHowLongItTookAndWhatWasRefused) {
    QTemporaryDir folder(QDir::homePath() + "/log-XXXXXX");
    begin_log(folder.path(), "debug");
    log_what_is_shown();
    open_cut();
    QMessageBox box(QMessageBox::Warning, "Wembrix", QDir::homePath() + "/secret/place.glb: cannot be read.");
    box.show();
    box.close();
    EXPECT_EQ(log_file(), folder.path() + "/wembrix.log");
    end_log();
    EXPECT_EQ(log_file(), "");
    QFile file(folder.path() + "/wembrix.log");
    ASSERT_TRUE(file.open(QIODevice::ReadOnly));
    const QString text = QString::fromUtf8(file.readAll());
    EXPECT_TRUE(text.contains("info: Wembrix " WEMBRIX_VERSION));
    EXPECT_TRUE(text.contains(QRegularExpression("info: opens .*\\.wembrix")));
    EXPECT_TRUE(text.contains(QRegularExpression("info: replayed \\d+ steps in \\d+\\.\\d+ s")));
    EXPECT_TRUE(text.contains(QRegularExpression("debug: step 1, \\w+: \\d+\\.\\d+ s")));
    EXPECT_TRUE(text.contains("warning: ~/secret/place.glb: cannot be read."));
    EXPECT_FALSE(text.contains(QDir::homePath())) << "no home folder stands in it";
}

TEST_F(Bench, ARunThatDiesLeavesANote) {
    QTemporaryDir folder;
    begin_log(folder.path(), "info");
    EXPECT_EXIT(
        {
            note_crashes();
            std::raise(SIGSEGV);
        },
        ::testing::KilledBySignal(SIGSEGV), "");
    const QString note = take_crash_note();
    EXPECT_TRUE(note.startsWith("Wembrix " WEMBRIX_VERSION " ended by a place in memory")) << note.toStdString();
    EXPECT_GT(note.count('\n'), 3) << "and where it was";
    EXPECT_EQ(take_crash_note(), "") << "told once";
    end_log();
}

TEST_F(Bench, PreferencesAreKept) {
    const Colours before = chosen_colours();
    const auto choose = [&](const char* wanted, QDialogButtonBox::StandardButton button) {
        QTimer::singleShot(0, window.get(), [&] {
            auto* dialog = window->findChild<QDialog*>("preferences");
            ASSERT_NE(dialog, nullptr);
            QTest::keyClicks(dialog->findChild<QComboBox*>("colours"), QString::fromUtf8(wanted));
            QTest::mouseClick(dialog->findChild<QDialogButtonBox*>()->button(button), Qt::LeftButton);
        });
        edit_preferences(window.get());
    };
    choose("Dark", QDialogButtonBox::Ok);
    EXPECT_EQ(chosen_colours(), Colours::dark);
    choose("Light", QDialogButtonBox::Cancel);
    EXPECT_EQ(chosen_colours(), Colours::dark) << "cancelled";
    choose("As", QDialogButtonBox::Ok);
    EXPECT_EQ(chosen_colours(), Colours::desktop);
    choose_colours(before);
}

TEST_F(Bench, EveryItemOfAMenuHasALetterOfItsOwn) {
    for (const QAction* top : window->menuBar()->actions()) {
        std::set<QChar> taken;
        for (const QAction* item : top->menu()->actions()) {
            const qsizetype at = item->text().indexOf('&');
            const bool of_a_list = item->menu() != nullptr || item->shortcut().toString().startsWith("Alt+");
            EXPECT_TRUE(item->isSeparator() || of_a_list || at >= 0) << item->text().toStdString();
            if (at >= 0) {
                EXPECT_TRUE(taken.insert(item->text().at(at + 1).toLower()).second) << item->text().toStdString();
            }
        }
    }
}

TEST_F(Bench, TheMenuSaysWhichWayOfShowingIsOn) {
    const auto on = [&](const QString& text) {
        for (const QAction* top : window->menuBar()->actions()) {
            for (const QAction* item : top->menu()->actions()) {
                if (QString(item->text()).remove('&') == text) {
                    return item->isCheckable() && item->isChecked();
                }
            }
        }
        ADD_FAILURE() << text.toStdString();
        return false;
    };
    EXPECT_TRUE(on("Two states side by side"));
    QTest::keySequence(window.get(), keys_of(Shortcut::overlaid));
    EXPECT_EQ(window->twin().mode(), TwinMode::overlaid);
    EXPECT_TRUE(on("One over the other"));
    EXPECT_FALSE(on("Two states side by side"));
    window->twin().set_mode(TwinMode::side_by_side);
    EXPECT_TRUE(on("Two states side by side"));
}

} // namespace
} // namespace wembrix::app
