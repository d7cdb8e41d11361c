// The menus: every command of the window, each with its shortcut.
#pragma once

namespace wembrix::app {

class MainWindow;

void make_menus(MainWindow& window);

} // namespace wembrix::app
