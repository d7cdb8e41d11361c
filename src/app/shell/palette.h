// Everything that can be done or gone to, found by typing: commands, stations, joints, clips, findings.
#pragma once

#include <QDialog>
#include <functional>
#include <vector>

class QLineEdit;
class QListWidget;

namespace wembrix::app {

class MainWindow;

struct PaletteEntry {
    enum class Kind : uint8_t { command, station, finding, clip, joint, page };
    Kind kind = Kind::command;
    QString words;  ///< what is searched in and shown: "Job › Save"
    QString detail; ///< shortcut, or what it is of
    std::function<void()> run;
};
QString kind_words(PaletteEntry::Kind kind);

/// What there is now: commands of the menus that can be done, and what the job has.
std::vector<PaletteEntry> palette_entries(MainWindow& window);
/// Places of the entries that hold all words of a text, those that begin with it first.
std::vector<size_t> found_in(const std::vector<PaletteEntry>& entries, const QString& text);

/// A field and a list over the window: up and down choose, Return does it, Escape leaves.
class Palette : public QDialog {
    Q_OBJECT
  public:
    explicit Palette(MainWindow& window);

  protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

  private:
    void fill();
    void run_current();

    std::vector<PaletteEntry> entries_;
    QLineEdit* field_;
    QListWidget* list_;
};

} // namespace wembrix::app
