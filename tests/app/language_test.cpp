// The window in another language: nothing of it is left in English, numbers are written its way, and what goes into
// files stays English.
#include "bench_fixture.h"
#include "core/base/counted.h"
#include "shell/preferences.h"
#include "style/language.h"
#include "style/numbers.h"

#include <QComboBox>
#include <QDialogButtonBox>
#include <QDirIterator>
#include <QDoubleSpinBox>
#include <QHeaderView>
#include <QLocale>
#include <QMenuBar>
#include <QRegularExpression>
#include <QTabBar>
#include <QXmlStreamReader>
#include <map>
#include <set>

namespace wembrix::app {
namespace {

/// The dictionary as it stands in the source: English, and what is said for it.
std::map<QString, QString> dictionary() {
    QFile file(QStringLiteral(WEMBRIX_SOURCE "/share/languages/wembrix_de.ts"));
    EXPECT_TRUE(file.open(QFile::ReadOnly));
    QXmlStreamReader xml(&file);
    std::map<QString, QString> all;
    QString source;
    while (!xml.atEnd()) {
        xml.readNext();
        if (xml.isStartElement() && xml.name() == QLatin1String("source")) {
            source = xml.readElementText();
        } else if (xml.isStartElement() &&
                   (xml.name() == QLatin1String("translation") || xml.name() == QLatin1String("numerusform"))) {
            all[source] = xml.readElementText(QXmlStreamReader::IncludeChildElements);
        }
    }
    EXPECT_FALSE(xml.hasError()) << xml.errorString().toStdString();
    return all;
}

QString without_mnemonic(QString text) {
    static const QRegularExpression mark(QStringLiteral("&(?=[^\\s;&])(?![a-z]+;)"));
    return text.remove(mark);
}

/// Tells a text that is English: one of the dictionary's that is said otherwise, its places filled with whatever.
class EnglishTeller {
  public:
    EnglishTeller() {
        for (const auto& [source, german] : dictionary()) {
            static const QRegularExpression place(QStringLiteral("%L?[1-9n]|\\{[^}]*\\}"));
            QString fixed = source;
            fixed.remove(place);
            // What is said alike in both, and what is hardly more than its places, tells nothing.
            static const QRegularExpression letters(QStringLiteral("[A-Za-z]"));
            if (german == source || fixed.count(letters) < 4) {
                continue;
            }
            QString pattern;
            qsizetype from = 0;
            for (auto at = place.globalMatch(without_mnemonic(source)); at.hasNext();) {
                const QRegularExpressionMatch match = at.next();
                pattern +=
                    QRegularExpression::escape(without_mnemonic(source).mid(from, match.capturedStart() - from)) +
                    QStringLiteral(".*");
                from = match.capturedEnd();
            }
            pattern += QRegularExpression::escape(without_mnemonic(source).mid(from));
            if (pattern.contains(QStringLiteral(".*"))) {
                patterns_.emplace_back(QRegularExpression::anchoredPattern(pattern),
                                       QRegularExpression::DotMatchesEverythingOption);
            } else {
                whole_.insert(without_mnemonic(source));
            }
        }
    }
    [[nodiscard]] bool is_english(const QString& text) const {
        const QString plain = without_mnemonic(text).trimmed();
        return whole_.count(plain) > 0 || std::any_of(patterns_.begin(), patterns_.end(), [&](const auto& pattern) {
                   return pattern.match(plain).hasMatch();
               });
    }

  private:
    std::set<QString> whole_;
    std::vector<QRegularExpression> patterns_;
};

/// What a person reads in the window as it is shown now, and in its menus and tips.
QStringList texts_in(const MainWindow& window) {
    QStringList all;
    for (const QWidget* widget : window.findChildren<QWidget*>()) {
        if (!widget->isVisible()) {
            continue;
        }
        all << widget->toolTip() << widget->accessibleName();
        if (const auto* label = qobject_cast<const QLabel*>(widget)) {
            all << label->text();
        } else if (const auto* button = qobject_cast<const QAbstractButton*>(widget)) {
            all << button->text();
        } else if (const auto* box = qobject_cast<const QComboBox*>(widget)) {
            all << (box->isEditable() ? QString() : box->currentText()); // what is typed there is a name
        } else if (const auto* tabs = qobject_cast<const QTabBar*>(widget)) {
            for (int i = 0; i < tabs->count(); ++i) {
                all << tabs->tabText(i);
            }
        } else if (const auto* view = qobject_cast<const QAbstractItemView*>(widget);
                   view != nullptr && view->model()) {
            const QAbstractItemModel& model = *view->model();
            for (int column = 0; column < model.columnCount(view->rootIndex()); ++column) {
                all << model.headerData(column, Qt::Horizontal).toString()
                    << model.headerData(column, Qt::Horizontal, Qt::ToolTipRole).toString();
                for (int row = 0; row < std::min(20, model.rowCount(view->rootIndex())); ++row) {
                    const QModelIndex index = model.index(row, column, view->rootIndex());
                    all << index.data().toString() << index.data(Qt::ToolTipRole).toString();
                }
            }
        }
    }
    for (const QAction* top : window.menuBar()->actions()) {
        all << top->text();
        for (const QAction* item : top->menu()->actions()) {
            all << item->text() << item->toolTip();
        }
    }
    return all;
}

class InGerman : public Bench {
  protected:
    void SetUp() override {
        use_language(*QCoreApplication::instance(), QStringLiteral("de"));
        Bench::SetUp();
    }
    void TearDown() override {
        Bench::TearDown();
        use_language(*QCoreApplication::instance(), QStringLiteral("en"));
    }
};

TEST(Language, CountsAndNumbersAreThoseOfTheLanguage) {
    EXPECT_EQ(counted(1, "joint"), "1 joint");
    EXPECT_EQ(counted(20000, "vertex"), QStringLiteral("20") + QChar(0x2009) + "000 vertices");
    use_language(*QCoreApplication::instance(), QStringLiteral("de"));
    EXPECT_EQ(counted(1, "joint"), "1 Gelenk");
    EXPECT_EQ(counted(20000, "vertex"), QStringLiteral("20") + QChar(0x2009) + "000 Punkte");
    EXPECT_EQ(QObject::tr("%1 mm").arg(0.25, 0, 'f', 2), "0,25 mm");
    EXPECT_EQ(QObject::tr("frame %1").arg(12345), "Bild 12345");
    EXPECT_EQ(localized(phrase("{:.3f} mm, frame {}; the limit is {:g} mm", 0.5, 3, 0.1)),
              "0,500 mm, Bild 3; die Grenze ist 0,1 mm");
    EXPECT_EQ(QLocale().toString(0.5), "0,5");
    EXPECT_EQ(QCoreApplication::translate("QPlatformTheme", "Cancel"), "Abbrechen") << "Qt's own words";
    use_language(*QCoreApplication::instance(), QStringLiteral("en"));
    EXPECT_EQ(QObject::tr("%1 mm").arg(0.25, 0, 'f', 2), "0.25 mm");
    EXPECT_EQ(localized(Text("Scale")), "Scale");
}

TEST(Language, IsTheOneChosenElseTheDesktops) {
    const QString before = chosen_language();
    choose_language(QStringLiteral("de"));
    EXPECT_EQ(language_to_use(), "de");
    choose_language(QStringLiteral("en"));
    EXPECT_EQ(language_to_use(), "en");
    choose_language(QStringLiteral("xx"));
    EXPECT_EQ(language_to_use(), "en") << "one that is not there";
    choose_language(before);
    use_language(*QCoreApplication::instance(), QStringLiteral("xx"));
    EXPECT_EQ(language_in_use(), "en");
}

TEST_F(InGerman, NothingThatIsShownIsLeftInEnglish) {
    open_cut();
    const EnglishTeller teller;
    EXPECT_TRUE(teller.is_english("Show or hide joints"));
    EXPECT_TRUE(teller.is_english("Weights of 3 vertices do not sum to 1"));
    EXPECT_FALSE(teller.is_english("Gelenke zeigen oder verbergen"));
    std::set<std::string> english;
    for (size_t station = 0; station < window->pages().size(); ++station) {
        window->choose_station(static_cast<int>(station));
        settle();
        for (const QString& text : texts_in(*window)) {
            if (teller.is_english(text)) {
                english.insert(window->pages().at(station)->kind().id + (": " + text.toStdString()));
            }
        }
    }
    for (const std::string& one : english) {
        ADD_FAILURE() << one;
    }
}

TEST_F(InGerman, LongerWordsHaveRoomOnASmallScreen) {
    open_cut();
    for (size_t station = 0; station < window->pages().size(); ++station) {
        window->choose_station(static_cast<int>(station));
        settle();
        EXPECT_LE(window->minimumSizeHint().width(), 1280) << window->pages().at(station)->kind().id;
    }
}

TEST_F(InGerman, TheFindingIsGermanAndWhatGoesIntoFilesIsNot) {
    open_cut();
    window->choose_station(0);
    QStringList shown;
    for (const QLabel* label : window->findChildren<QLabel*>()) {
        shown << label->text();
    }
    EXPECT_TRUE(shown.join('\n').contains("Befunde")) << shown.join('\n').toStdString();
    window->runner().deliver_cells(window->board().due());
    ASSERT_TRUE(wait_for([&] { return !window->runner().is_running() && window->board().is_current(); }));
    size_t manifests = 0;
    QDirIterator files(folder.path(), {"delivery.json"}, QDir::Files, QDirIterator::Subdirectories);
    while (files.hasNext()) {
        QFile file(files.next());
        ASSERT_TRUE(file.open(QFile::ReadOnly));
        const QString text = QString::fromUtf8(file.readAll());
        EXPECT_TRUE(text.contains("brought to 4 influences, the largest weight lost")) << text.toStdString();
        EXPECT_FALSE(text.contains("Gewicht") || text.contains("Einfl")) << file.fileName().toStdString();
        ++manifests;
    }
    EXPECT_GT(manifests, 0U);
}

TEST_F(Bench, ALanguageIsChosenInPreferences) {
    const QString before = chosen_language();
    QTimer::singleShot(0, window.get(), [&] {
        auto* dialog = window->findChild<QDialog*>("preferences");
        ASSERT_NE(dialog, nullptr);
        auto* box = dialog->findChild<QComboBox*>("language");
        ASSERT_NE(box, nullptr);
        QTest::keyClicks(box, "Deutsch");
        QTest::mouseClick(dialog->findChild<QDialogButtonBox*>()->button(QDialogButtonBox::Ok), Qt::LeftButton);
    });
    edit_preferences(window.get());
    EXPECT_EQ(chosen_language(), "de");
    EXPECT_EQ(language_in_use(), "en") << "from the next start on";
    choose_language(before);
}

} // namespace
} // namespace wembrix::app
