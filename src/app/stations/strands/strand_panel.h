// The right side of the station: region, guides, growth with its profiles, and how the strands follow. Every field is
// a parameter of a step on the card.
#pragma once

#include "stations/strands/strand_board.h"
#include "style/profile_plot.h"

#include <QWidget>
#include <map>
#include <vector>

class QCheckBox;
class QComboBox;
class QDoubleSpinBox;
class QFormLayout;
class QLabel;
class QPushButton;
class QSpinBox;

namespace wembrix::app {

class StrandPanel : public QWidget {
    Q_OBJECT
  public:
    explicit StrandPanel(StrandBoard& board, QWidget* parent = nullptr);
    void refresh();
    void refresh_guides();
    /// Which faces are chosen in the view, and of what surface.
    void show_choice(const QString& surface, size_t vertices);
    [[nodiscard]] ProfilePlot& width_profile() { return *width_; }
    [[nodiscard]] ProfilePlot& clump_profile() { return *clump_; }
    [[nodiscard]] ProfilePlot& noise_profile() { return *noise_; }
    void show_parting_tool(bool in_use);
    [[nodiscard]] bool begins() const { return begins_; } ///< new strands are being begun
    void end_beginning() {
        begins_ = false;
        refresh();
    }
    [[nodiscard]] QString new_name() const; ///< what strands would be called that are begun now

  Q_SIGNALS:
    void regionAsked();
    void slotAsked(const QString& material);
    void growChoice();
    void shrinkChoice();
    void floodChoice();
    void stepAsked(const wembrix::Step& step);
    void partingAsked();            ///< one is to be drawn in the view
    void turnAsked(double degrees); ///< the chosen guides, about the normal at their roots

  private:
    QWidget* make_region();
    QWidget* make_guides();
    QWidget* make_growth();
    void add_number(QFormLayout& form, const char* key);
    void show_profile(ProfilePlot& plot, const char* key, const std::vector<double>& otherwise);

    StrandBoard& board_;
    QComboBox* which_;
    QPushButton* begin_;
    QPushButton* remove_;
    QLabel* region_said_;
    QLabel* chosen_said_;
    QComboBox* slot_;
    std::vector<QPushButton*> choice_buttons_;
    QPushButton* take_region_;
    QWidget* guides_;
    QLabel* guides_said_;
    QDoubleSpinBox* length_;
    QSpinBox* points_;
    QCheckBox* keeps_length_;
    std::vector<QPushButton*> guide_buttons_;
    QWidget* growth_;
    std::map<std::string, QDoubleSpinBox*> numbers_; ///< by the parameter's key
    QCheckBox* trimmed_;
    QLabel* partings_said_;
    QPushButton* draw_parting_;
    QPushButton* no_partings_;
    QComboBox* follow_;
    QPushButton* cache_;
    ProfilePlot* width_;
    ProfilePlot* clump_;
    ProfilePlot* noise_;
    bool begins_ = false; ///< new strands are being begun
    size_t chosen_vertices_ = 0;
};

} // namespace wembrix::app
