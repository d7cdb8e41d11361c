#include "style/theme.h"

#include "style/theme_colours.h"

#include <QApplication>
#include <QFontDatabase>
#include <QPalette>
#include <QSettings>
#include <QStyleFactory>
#include <QSurfaceFormat>

namespace wembrix::app {

namespace {

Theme light_theme() {
    Theme l;
    l.ground = QColor("#EDEFEA");
    l.card = QColor("#FBFBF8");
    l.line = QColor("#CBD0C8");
    l.ink = QColor("#1F2A2E");
    l.soft = QColor("#5B686B");
    l.accent = QColor("#09736E");
    l.on_accent = QColor("#FFFFFF");
    l.received = QColor("#4B5F86");
    l.prepared = QColor("#0A736E"); // by a step from the accent: which is meant can be told (theme_colours.h)
    l.arrived = QColor("#7A4B9E");
    l.selection = QColor("#C93063");
    l.stop = QColor("#9A1F17");
    l.stop_ground = QColor("#F7DEDB");
    l.look = QColor("#84560F");
    l.look_ground = QColor("#F6E9CC");
    l.note = QColor("#2F5673");
    l.note_ground = QColor("#DDE6EE");
    l.well = QColor("#0B6A58");
    l.well_ground = QColor("#D6E9E2");
    l.sky_top = QColor("#F4F5F1");
    l.sky_bottom = QColor("#E2E6E0");
    l.grid = QColor("#AEB7B0");
    l.clay = QColor("#D9D4C4");
    l.edge = QColor("#1F2A2F");
    l.left_side = QColor("#1E7D8C");
    l.right_side = QColor("#8A3D74");
    return l;
}

Theme dark_theme() {
    Theme l = light_theme();
    l.dark = true;
    l.ground = QColor("#1B2123");
    l.card = QColor("#242C2F");
    l.line = QColor("#3C474A");
    l.ink = QColor("#E6EAE6");
    l.soft = QColor("#9DAAAB");
    l.accent = QColor("#37A79F");
    l.on_accent = QColor("#0C1A1A");
    l.received = QColor("#8FA3CC");
    l.prepared = QColor("#4DB9B1");
    l.arrived = QColor("#B793D6");
    l.stop = QColor("#F0A29B");
    l.stop_ground = QColor("#4A2421");
    l.look = QColor("#E2BC74");
    l.look_ground = QColor("#453618");
    l.note = QColor("#9CC2DC");
    l.note_ground = QColor("#22384A");
    l.well = QColor("#82CDB8");
    l.well_ground = QColor("#1E3F37");
    l.sky_top = QColor("#2C3538");
    l.sky_bottom = QColor("#1F2628");
    l.grid = QColor("#566164");
    l.left_side = QColor("#4FB3C3");
    l.right_side = QColor("#C97FB3");
    l.selection = QColor("#F0709A");
    return l;
}

Theme& current() {
    static Theme chosen = light_theme();
    return chosen;
}

std::optional<bool>& desktop_dark() {
    static std::optional<bool> said;
    return said;
}

QString sheet(const Theme& l) {
    const QString text = QStringLiteral(R"(
QWidget { color: @ink; font-size: 12px; }
QMainWindow, QDialog, #bench { background: @ground; }
QDialogButtonBox, QMessageBox { dialogbuttonbox-buttons-have-icons: 0; }
QMenuBar { background: @ground; border-bottom: 1px solid @line; padding: 1px 4px; }
QMenuBar::item { padding: 3px 8px; background: transparent; }
QMenuBar::item:selected, QMenu::item:selected { background: @well_ground; color: @ink; }
QMenu { background: @card; border: 1px solid @line; padding: 4px; }
QMenu::item { padding: 4px 22px 4px 12px; }
QMenu::item:disabled { color: @soft; }
QMenu::separator { height: 1px; background: @line; margin: 4px 6px; }
QToolTip { background: @card; color: @ink; border: 1px solid @line; padding: 3px; }
#header { background: @card; border-bottom: 1px solid @line; }
#jobName { font-size: 15px; font-weight: 600; }
#status { background: @ground; border-top: 1px solid @line; }
#card { background: @card; border: 1px solid @line; border-radius: 4px; }
#cardTitle { font-size: 13px; font-weight: 600; }
#soft, #status QLabel { color: @soft; }
#rail { background: @ground; border-right: 1px solid @line; }
#route { background: @ground; border-left: 1px solid @line; }
QPushButton { background: @card; border: 1px solid @line; border-radius: 4px; padding: 4px 10px; }
QPushButton:hover { border-color: @accent; }
QPushButton:focus, QComboBox:focus, QLineEdit:focus, QPlainTextEdit:focus { border-color: @accent; }
QPushButton:disabled { color: @soft; background: @ground; }
QPushButton:checked { background: @well_ground; border-color: @accent; }
QPushButton#go, QPushButton[go="true"] { background: @accent; color: @on_accent; border: none; font-weight: 600; padding: 7px 14px; }
QPushButton#go:disabled, QPushButton[go="true"]:disabled { background: @ground; color: @soft; border: 1px solid @line; }
QPushButton#link { border: none; background: transparent; color: @accent; font-weight: 600; padding: 1px 2px; text-align: right; }
QPushButton#link:hover, QPushButton#link:focus { text-decoration: underline; }
QComboBox { background: @card; border: 1px solid @line; border-radius: 4px; padding: 3px 8px; min-height: 18px; }
QComboBox::drop-down { border: none; width: 18px; }
QComboBox::down-arrow { image: url(:/style/arrow.png); width: 9px; height: 6px; }
QComboBox QAbstractItemView { background: @card; border: 1px solid @line; selection-background-color: @well_ground; selection-color: @ink; }
QLineEdit, QPlainTextEdit { background: @card; border: 1px solid @line; border-radius: 4px; padding: 3px 6px; selection-background-color: @accent; }
QListView { background: @card; border: 1px solid @line; border-radius: 4px; outline: none; }
QListView::item { padding: 3px 6px; }
QListView::item:selected { background: @well_ground; color: @ink; }
QTreeView, QTableView { background: @card; border: none; outline: none; alternate-background-color: @card; gridline-color: @line; }
QTreeView::item { border-bottom: 1px solid @line; padding: 3px 2px; }
QTreeView::item:selected { background: @well_ground; color: @ink; }
QHeaderView::section { background: @card; border: none; border-bottom: 1px solid @line; padding: 4px 6px; color: @soft; font-weight: 600; }
QHeaderView { background: @card; }
QScrollArea { background: transparent; border: none; }
QScrollArea > QWidget > QWidget { background: transparent; }
QScrollBar:vertical { width: 9px; background: transparent; margin: 0; }
QScrollBar:horizontal { height: 9px; background: transparent; margin: 0; }
QScrollBar::handle { background: @line; border-radius: 4px; min-height: 24px; min-width: 24px; }
QScrollBar::add-line, QScrollBar::sub-line { width: 0; height: 0; }
QScrollBar::add-page, QScrollBar::sub-page { background: transparent; }
QProgressBar { background: @line; border: none; border-radius: 3px; max-height: 7px; min-height: 7px; }
QProgressBar::chunk { background: @accent; border-radius: 3px; }
QSplitter::handle { background: transparent; }
)");
    QString result = text;
    const QList<QPair<QString, QColor>> roles = {{"@well_ground", l.well_ground},
                                                 {"@on_accent", l.on_accent},
                                                 {"@ground", l.ground},
                                                 {"@card", l.card},
                                                 {"@line", l.line},
                                                 {"@ink", l.ink},
                                                 {"@soft", l.soft},
                                                 {"@accent", l.accent}};
    for (const auto& [role, colour] : roles) {
        result.replace(role, colour.name());
    }
    return result;
}

} // namespace

QColor Theme::of(State state) const {
    return state == State::received ? received : state == State::prepared ? prepared : arrived;
}
QColor Theme::of(Grade grade) const {
    return grade == Grade::stop ? stop : grade == Grade::look ? look : note;
}
QColor Theme::ground_of(Grade grade) const {
    return grade == Grade::stop ? stop_ground : grade == Grade::look ? look_ground : note_ground;
}

std::vector<QColor> colours_of(const Theme& l) {
    return {l.ground,      l.card,     l.line,        l.ink,       l.soft,        l.accent,      l.on_accent,
            l.received,    l.prepared, l.arrived,     l.selection, l.stop,        l.stop_ground, l.look,
            l.look_ground, l.note,     l.note_ground, l.well,      l.well_ground, l.left_side,   l.right_side};
}

Theme theme_of(bool dark) {
    return dark ? dark_theme() : light_theme();
}

void desktop_says_dark(std::optional<bool> dark) {
    desktop_dark() = dark;
}

const Theme& theme() {
    return current();
}

QString state_name(State state) {
    return state == State::received   ? QObject::tr("Received")
           : state == State::prepared ? QObject::tr("Prepared")
                                      : QObject::tr("Arrived");
}

QString state_id(State state) {
    return state == State::received   ? QStringLiteral("received")
           : state == State::prepared ? QStringLiteral("prepared")
                                      : QStringLiteral("arrived");
}

void prepare_graphics() {
    QSurfaceFormat format;
    format.setVersion(3, 3);
    format.setProfile(QSurfaceFormat::CoreProfile);
    format.setDepthBufferSize(24);
    QSurfaceFormat::setDefaultFormat(format);
}

Colours chosen_colours() {
    const int chosen = QSettings().value(QStringLiteral("colours"), 0).toInt();
    return chosen == 1 ? Colours::light : chosen == 2 ? Colours::dark : Colours::desktop;
}

void choose_colours(Colours colours) {
    QSettings().setValue(QStringLiteral("colours"), static_cast<int>(colours));
}

void apply_theme(QApplication& application) {
    // What the desktop has stands in the palette until there is one of our own.
    static const bool is_palette_dark = application.palette().color(QPalette::Window).lightness() < 110;
    const bool is_desktop_dark = desktop_dark().value_or(is_palette_dark);
    const Colours chosen = chosen_colours();
    const bool dark = chosen == Colours::desktop ? is_desktop_dark : chosen == Colours::dark;
    current() = dark ? dark_theme() : light_theme();
    application.setStyle(QStyleFactory::create(QStringLiteral("Fusion")));
    const Theme& l = current();
    QPalette palette;
    palette.setColor(QPalette::Window, l.ground);
    palette.setColor(QPalette::Base, l.card);
    palette.setColor(QPalette::Button, l.card);
    palette.setColor(QPalette::Text, l.ink);
    palette.setColor(QPalette::WindowText, l.ink);
    palette.setColor(QPalette::ButtonText, l.ink);
    palette.setColor(QPalette::Highlight, l.accent);
    palette.setColor(QPalette::HighlightedText, l.on_accent);
    palette.setColor(QPalette::PlaceholderText, l.soft);
    application.setPalette(palette);
    QFont font = application.font();
    if (QFontDatabase::families().contains(QStringLiteral("Inter"))) {
        font.setFamily(QStringLiteral("Inter"));
    }
    font.setPixelSize(12);
    application.setFont(font);
    application.setStyleSheet(sheet(l));
}

} // namespace wembrix::app
