// The job's destinations, edited with an explanation of each field; kept in the job and, if wanted, in the library.
#pragma once

#include "core/destination/destination.h"

#include <QDialog>
#include <QStringList>
#include <functional>
#include <list>
#include <memory>
#include <vector>

class QFormLayout;
class QHBoxLayout;
class QLabel;
class QListWidget;
class QPushButton;
class QVBoxLayout;

namespace wembrix::app {

class AxesDrawing;
class ContractRow;
class ForeseenPanel;

class DestinationsDialog : public QDialog {
    Q_OBJECT
  public:
    /// How the files are called that a destination would be given, or what is wrong with them.
    using NamesOfFiles = std::function<QStringList(const Destination&)>;
    /// `own`: the skeleton that the job has prepared, to be demanded as a contract.
    /// `prepared`: what a change would be shown on.
    explicit DestinationsDialog(std::vector<Destination> destinations, std::optional<Contract> own = std::nullopt,
                                NamesOfFiles names = {}, std::shared_ptr<const Scene> prepared = nullptr,
                                QWidget* parent = nullptr);
    [[nodiscard]] const std::vector<Destination>& destinations() const { return now_; }
    /// A destination from a file joins the list, the chosen one goes into a file; what is wrong, or nothing.
    QString open_file(const QString& file);
    QString save_file(const QString& file);

  private:
    void choose(int row);
    void read_fields();
    void list_names();
    void add(const Destination& destination);
    /// `values`: what stands in the file for each choice; without them the choices themselves.
    void add_field(const QString& name, const char* key, const QString& why, const QStringList& choices = {},
                   const std::vector<nlohmann::json>& values = {});
    void add_row(const QString& name, QWidget* field, const QString& why);
    /// How the engine takes a file.
    void add_reads_fields(const QStringList& axes);
    /// The usual conventions of axes, hand and unit.
    void add_conventions();
    QVBoxLayout* what_it_means(std::shared_ptr<const Scene> prepared);
    /// The drawing, what a change makes of the job, and whether the team has a newer one.
    void show_meaning();
    void add_team_buttons(QHBoxLayout* row);
    void keep_for_team();
    /// Which kinds of files go out, how they are called, and what that comes to.
    void add_kinds_of_files();
    void show_preview();
    static QString file_filter();
    /// The options of the chosen container.
    void show_options();

    std::vector<Destination> before_; ///< as the job had them
    std::vector<Destination> now_;
    int row_ = -1;
    bool filling_ = false;
    QListWidget* list_;
    QWidget* form_;
    QFormLayout* fields_;
    ContractRow* contract_;
    QLabel* problem_;
    QPushButton* use_;
    QPushButton* reset_;
    QPushButton* keep_;
    QPushButton* remove_;
    QPushButton* save_;
    QPushButton* compare_;
    QPushButton* team_ = nullptr;
    QWidget* newer_ = nullptr; ///< shown where the team's is newer
    QLabel* newer_words_ = nullptr;
    bool over_newer_ = false;
    AxesDrawing* drawing_ = nullptr;
    ForeseenPanel* foreseen_ = nullptr;
    double height_m_ = 1.7;
    struct Field {
        std::function<QString(nlohmann::json&)> read; ///< into the destination; returns what is wrong, or nothing
        std::function<void(const nlohmann::json&)> write;
    };
    std::vector<Field> rows_;
    NamesOfFiles names_of_;
    QLabel* preview_ = nullptr;
    std::list<std::string> template_keys_;                             ///< whose text the fields keep
    std::vector<std::pair<QWidget*, std::string_view>> template_rows_; ///< each with the kind it names
    QVBoxLayout* options_place_ = nullptr;
    QWidget* options_ = nullptr; ///< made anew for each container
    std::string options_of_;     ///< the container that they are of
    std::vector<std::function<QString(nlohmann::json&)>> option_readers_;
};

} // namespace wembrix::app
