#include "shell/destinations_dialog.h"
#include "style/language.h"

#include "core/base/files.h"
#include "core/destination/conventions.h"
#include "core/destination/file_kinds.h"
#include "core/destination/team_library.h"
#include "core/formats/format.h"
#include "core/measure/scene/bounds.h"
#include "session/library.h"
#include "shell/axes_drawing.h"
#include "shell/contract_row.h"
#include "shell/destination_differences.h"
#include "shell/foreseen_panel.h"
#include "shell/parameter_field.h"
#include "style/mnemonics.h"
#include "style/theme.h"

#include <QCheckBox>
#include <QComboBox>
#include <QDialogButtonBox>
#include <QFileDialog>
#include <QFormLayout>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QMenu>
#include <QPushButton>
#include <QScrollArea>
#include <QStyle>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>
#include <fmt/format.h>

namespace wembrix::app {

namespace {

/// Numbers stand in the file as numbers, all else as text.
bool is_number(const char* key) {
    const std::string_view name(key);
    return name == "unit_m" || name == "max_influences" || name == "longest_name" || name == "rate" ||
           name == "drift_limit_mm" || name == "longest_path" || name == "largest_image" || name == "pictures" ||
           name == "image_quality";
}

/// May be left empty: then there is no such limit or rule, and nothing of it stands in the file.
bool may_be_empty(const char* key) {
    const std::string_view name(key);
    return name == "max_shapes" || name == "longest_path" || name == "largest_image" || name == "pictures" ||
           name == "picture_ground" || name == "image_quality" || name == "folder" || name == "import_record" ||
           name.ends_with("_file") || name.ends_with("_names");
}

QString written_in(const nlohmann::json& json, const char* key) {
    const nlohmann::json value = json.value(key, nlohmann::json(""));
    return value.is_number() ? QString::fromStdString(fmt::format("{}", value.get<double>()))
                             : QString::fromStdString(value.is_string() ? value.get<std::string>() : value.dump());
}

/// Puts a typed number under the key; what is wrong with it, if anything is.
QString put_number(nlohmann::json& json, const char* key, const QString& text) {
    bool is_number = false;
    const double value = QLocale::c().toDouble(text, &is_number);
    if (!is_number || !std::isfinite(value)) {
        return QObject::tr("“%1” is not a number.").arg(text);
    }
    const std::string_view name(key);
    if (name == "max_influences" || name == "longest_name" || name == "longest_path" || name == "max_shapes" ||
        name == "largest_image" || name == "pictures" || name == "image_quality") {
        json[key] = static_cast<int>(value);
    } else {
        json[key] = value;
    }
    return {};
}

} // namespace

DestinationsDialog::DestinationsDialog(std::vector<Destination> destinations, std::optional<Contract> own,
                                       NamesOfFiles names, std::shared_ptr<const Scene> prepared, QWidget* parent)
    : QDialog(parent), before_(destinations), now_(std::move(destinations)), names_of_(std::move(names)) {
    setWindowTitle(tr("Destinations"));
    resize(1120, 660);
    auto* column = new QVBoxLayout(this);
    auto* why = new QLabel(tr("What each engine project expects of the files it is given. They are kept in the job; "
                              "in your library they are at hand for the next one."),
                           this);
    why->setWordWrap(true);
    why->setObjectName(QStringLiteral("soft"));
    column->addWidget(why);
    auto* row = new QHBoxLayout;
    auto* left = new QVBoxLayout;
    list_ = new QListWidget(this);
    list_->setObjectName(QStringLiteral("destinationList"));
    list_->setFixedWidth(200);
    left->addWidget(list_, 1);
    auto* more = new QPushButton(tr("Add…"), this);
    more->setObjectName(QStringLiteral("addDestination"));
    auto* menu = new QMenu(more);
    menu->addAction(tr("A new one"), this, [this] {
        Destination fresh;
        fresh.name = "New destination";
        add(fresh);
    });
    menu->addAction(tr("A copy of the chosen one"), this, [this] {
        if (row_ >= 0) {
            add(now_[static_cast<size_t>(row_)]);
        }
    });
    menu->addAction(tr("From a file…"), this, [this] {
        const QString file = QFileDialog::getOpenFileName(this, tr("Open a destination"), QString(), file_filter());
        if (!file.isEmpty()) {
            problem_->setText(open_file(file));
        }
    });
    menu->addSeparator();
    for (const Destination& one : library_destinations()) {
        menu->addAction(tr("From my library: %1").arg(QString::fromStdString(one.name)), this,
                        [this, one] { add(one); });
    }
    for (const Destination& one : team_destinations(team_folder().toStdString())) {
        menu->addAction(tr("From the team: %1").arg(QString::fromStdString(one.name)), this, [this, one] { add(one); });
    }
    more->setMenu(menu);
    left->addWidget(more);
    remove_ = new QPushButton(tr("Remove"), this);
    connect(remove_, &QPushButton::clicked, this, [this] {
        now_.erase(now_.begin() + row_);
        row_ = -1;
        list_names();
        choose(now_.empty() ? -1 : 0);
    });
    left->addWidget(remove_);
    row->addLayout(left);
    auto* scroll = new QScrollArea(this);
    scroll->setWidgetResizable(true);
    form_ = new QWidget(scroll);
    fields_ = new QFormLayout(form_);
    fields_->setLabelAlignment(Qt::AlignLeft | Qt::AlignTop);
    fields_->setVerticalSpacing(4);
    QStringList axes;
    for (const char* axis : {"+X", "-X", "+Y", "-Y", "+Z", "-Z"}) {
        axes << QString::fromUtf8(axis);
    }
    QStringList containers;
    std::vector<nlohmann::json> container_ids;
    for (const Format& format : formats()) {
        if (!format.is_read_only()) {
            containers << localized(format.label);
            container_ids.emplace_back(std::string(format.id));
        }
    }
    add_field(tr("Name"), "name", tr("What the project is called; the folder of its files is named for it."));
    add_field(tr("Container"), "container",
              tr("What files are written as. What it cannot hold stays behind and is listed."), containers,
              container_ids);
    options_place_ = new QVBoxLayout;
    options_place_->setContentsMargins(0, 0, 0, 0);
    fields_->addRow(QString(), options_place_);
    add_field(
        tr("Folder"), "folder",
        tr("Where its files go: one that the engine's project watches, say. Files come there whole, in one move each. "
           "Empty: a folder of its name below the job's deliveries."));
    add_field(tr("Record of an import"), "import_record",
              tr("What the engine leaves beside a file it took: {file}.import. By it the board tells whether it has "
                 "taken each file. Empty: it leaves nothing, and nobody can know."));
    add_conventions();
    add_field(tr("Up axis"), "up", tr("Which axis points to the sky once the engine has read the file."), axes);
    add_field(tr("Forward axis"), "forward", tr("Which axis a character looks along there."), axes);
    add_field(tr("Handedness"), "handedness",
              tr("Whether the engine's axes are those of a right or of a left hand. Files "
                 "stay right-handed; the engine's importer mirrors them."),
              {tr("Right"), tr("Left")}, {"right", "left"});
    add_field(tr("Unit (m)"), "unit_m",
              tr("Metres in one of its units: 0.01 for centimetres. Sizes are said in it; a .glb itself is always in "
                 "metres."));
    add_field(tr("Front in the file"), "file_forward",
              tr("Which axis of the file a character looks along. A .glb has Y up and metres by its standard; most "
                 "engines take +Z for its front."),
              {QStringLiteral("+Z"), QStringLiteral("-Z"), QStringLiteral("+X"), QStringLiteral("-X")});
    add_reads_fields(axes);
    add_field(tr("Max influences"), "max_influences",
              tr("Influences per vertex. More are cut, and the loss is measured."));
    add_field(
        tr("Influences kept"), "influences_kept",
        tr("Of more: the heaviest, divided by their sum; or those, with weights fitted anew, by which the surface "
           "moves least over the job's clips."),
        {tr("The heaviest"), tr("By least motion")}, {"heaviest", "least_motion"});
    add_field(tr("Max shapes"), "max_shapes", tr("Shapes of one surface. 0: none go out. Empty: any number."));
    add_field(tr("Frame rate (fps)"), "rate", tr("Frames a second of clips that are keyed at every frame."));
    add_field(tr("Keys of clips"), "clip_keys",
              tr("At every frame of that rate, of the rate each clip was made at, or those that Prepared has: stepped "
                 "and cubic keys stay, reduced ones stay few. Or the fewest of every frame's by which nothing moves "
                 "farther than half the drift limit."),
              {tr("Every frame"), tr("Every frame of its own rate"), tr("As prepared"), tr("The fewest")},
              {"every_frame", "own_rate", "as_prepared", "fewest"});
    add_field(tr("Numbers of surfaces"), "numbers",
              tr("As prepared, or rounded: places within an eighth of the drift limit, directions, coordinates, "
                 "colours and weights to 16 bits. What it costs is measured and stands under What stayed behind."),
              {tr("As prepared"), tr("Rounded")}, {"as_prepared", "rounded"});
    add_field(tr("What does not move"), "still_channels",
              tr("Joints that a clip leaves alone: keyed all the same, or left out of its file."),
              {tr("Key it"), tr("Leave out")}, {true, false});
    add_field(
        tr("Last frame of a loop"), "keep_last",
        tr("Where a repeat's last frame is its first once more: an engine that plays frame 0 right after it wants "
           "it left out."),
        {tr("Keep"), tr("Leave out")}, {true, false});
    add_field(tr("Largest image (px)"), "largest_image",
              tr("Images with a longer side are made smaller, and the ledger says so. Empty: any size."));
    add_field(tr("Kind of images"), "images",
              tr("As they are, or all of one kind. JPEG has no transparency: an image with some becomes a PNG."),
              {tr("As they are"), tr("PNG"), tr("JPEG"), tr("WebP")}, {"as_they_are", "png", "jpeg", "webp"});
    add_field(tr("Image quality"), "image_quality",
              tr("Of the JPEG or WebP that is made, 1 to 100. WebP of 100 keeps every pixel."));
    add_field(tr("Sides of images"), "power_of_two_images", tr("As they are, or powers of two, rounded down."),
              {tr("Any"), tr("Powers of two")}, {false, true});
    add_field(
        tr("Collision hulls"), "hulls",
        tr("As plain surfaces below the joint or surface they belong to, or at the top of the file; as numbers in "
           "the data of a node; or not at all."),
        {tr("Below what they belong to"), tr("At the top of the file"), tr("Data of a node"), tr("Leave out")},
        {"below", "beside", "node_data", "left_out"});
    add_field(tr("Names of hulls"), "hull_names", tr("{surface}, {number} and {kind} are filled in."));
    QStringList labels = {tr("Strands with the model, where it can; no caches")};
    std::vector<nlohmann::json> ids = {""};
    for (const Format& format : formats()) {
        if (format.write_moving != nullptr) {
            labels << localized(format.label);
            ids.emplace_back(format.id);
        }
    }
    add_field(tr("Strands and caches"), "points_container",
              tr("What they go out in, each in a file of its own: strands at rest, and every point at each frame."),
              labels, ids);
    add_field(tr("Root joint"), "root", tr("The one joint at the top. A file with another root is held."));
    add_field(tr("Joint names"), "joint_names", tr("A regular expression that a whole name must fit."));
    add_field(tr("Longest name"), "longest_name", tr("Characters that a joint's name may have."));
    add_field(tr("Clip names"), "clip_names", tr("A regular expression for whole names. Empty: any."));
    add_field(tr("Surface names"), "surface_names", tr("The same for surfaces."));
    add_field(tr("Material names"), "material_names", tr("The same for materials."));
    add_field(tr("Shape names"), "shape_names", tr("The same for shapes."));
    add_field(tr("File names"), "file_names", tr("The same for files and folders of a delivery, without the suffix."));
    add_field(tr("Longest path"), "longest_path",
              tr("Characters that a file's whole path may have there. 0: as many as the system takes."));
    add_kinds_of_files();
    add_field(
        tr("Thumbnails (px)"), "pictures",
        tr("A picture beside each file, of so many pixels; of a clip its telling moments and, where it repeats, a "
           "moving one. Empty: none."));
    add_field(tr("Behind thumbnails"), "picture_ground",
              tr("A colour such as #fbfbf8, which it is if this is empty; or none: they are transparent there."));
    add_field(tr("Report"), "report",
              tr("A page beside the files: what arrived, what changed since the delivery before, what stayed behind."),
              {tr("None"), tr("With each delivery")}, {false, true});
    add_field(tr("Drift limit (mm)"), "drift_limit_mm", tr("A delivery that moves any vertex farther is held."));
    contract_ = new ContractRow(std::move(own), form_);
    connect(contract_, &ContractRow::chosen, this, [this](const std::optional<Contract>& contract) {
        now_[static_cast<size_t>(row_)].contract = contract;
        contract_->show_contract(contract);
    });
    connect(contract_, &ContractRow::failed, this, [this](const QString& problem) { problem_->setText(problem); });
    fields_->addRow(tr("Contract"), contract_);
    scroll->setWidget(form_);
    row->addWidget(scroll, 1);
    row->addLayout(what_it_means(std::move(prepared)));
    column->addLayout(row, 1);
    problem_ = new QLabel(this);
    problem_->setObjectName(QStringLiteral("destinationProblem"));
    problem_->setWordWrap(true);
    problem_->setStyleSheet(QStringLiteral("color: %1;").arg(theme().stop.name()));
    column->addWidget(problem_);
    auto* foot = new QHBoxLayout;
    reset_ = new QPushButton(tr("Revert"), this);
    reset_->setObjectName(QStringLiteral("resetDestination"));
    reset_->setToolTip(tr("As the job had it; if the job did not have it, as the library has it"));
    connect(reset_, &QPushButton::clicked, this, [this] {
        Destination& now = now_[static_cast<size_t>(row_)];
        const size_t at = static_cast<size_t>(row_);
        if (at < before_.size() && !(before_[at] == now)) {
            now = before_[at];
        } else if (const std::optional<Destination> kept = from_library(now.name)) {
            now = *kept;
        }
        list_names();
        choose(row_);
    });
    foot->addWidget(reset_);
    keep_ = new QPushButton(tr("Save to my library"), this);
    keep_->setObjectName(QStringLiteral("keepDestination"));
    connect(keep_, &QPushButton::clicked, this, [this] {
        const QString wrong = save_to_library(now_[static_cast<size_t>(row_)]);
        problem_->setText(wrong);
        if (wrong.isEmpty()) {
            keep_->setText(tr("Kept in your library"));
        }
    });
    foot->addWidget(keep_);
    add_team_buttons(foot);
    save_ = new QPushButton(tr("Save as file…"), this);
    save_->setObjectName(QStringLiteral("saveDestination"));
    connect(save_, &QPushButton::clicked, this, [this] {
        const QString name = QString::fromStdString(now_[static_cast<size_t>(row_)].name);
        const QString file = QFileDialog::getSaveFileName(this, tr("Save the destination"),
                                                          name + QStringLiteral(".destination.json"), file_filter());
        if (!file.isEmpty()) {
            problem_->setText(save_file(file));
        }
    });
    foot->addWidget(save_);
    compare_ = new QPushButton(tr("Compare with"), this);
    compare_->setObjectName(QStringLiteral("compareDestination"));
    auto* others = new QMenu(compare_);
    connect(others, &QMenu::aboutToShow, this, [this, others] {
        others->clear();
        for (size_t i = 0; i < now_.size(); ++i) {
            if (static_cast<int>(i) != row_) {
                others->addAction(QString::fromStdString(now_[i].name), this, [this, other = now_[i]] {
                    show_differences(now_[static_cast<size_t>(row_)], other, this);
                });
            }
        }
        if (static_cast<size_t>(row_) < before_.size()) {
            others->addAction(tr("As the job had it"), this, [this] {
                show_differences(now_[static_cast<size_t>(row_)], before_[static_cast<size_t>(row_)], this);
            });
        }
        if (const std::optional<Destination> newer =
                newer_in_team(team_folder().toStdString(), now_[static_cast<size_t>(row_)])) {
            others->addAction(tr("As the team has it"), this, [this, newer = *newer] {
                show_differences(now_[static_cast<size_t>(row_)], newer, this);
            });
        }
        others->addAction(tr("A file…"), this, [this] {
            const QString file = QFileDialog::getOpenFileName(this, tr("Compare with"), QString(), file_filter());
            if (file.isEmpty()) {
                return;
            }
            const Result<Destination> other = read_destination(file.toStdString());
            if (other) {
                show_differences(now_[static_cast<size_t>(row_)], *other, this);
            } else {
                problem_->setText(localized(other.problem().sentence()));
            }
        });
    });
    compare_->setMenu(others);
    foot->addWidget(compare_);
    foot->addStretch(1);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Cancel, this);
    use_ = buttons->addButton(tr("&Apply"), QDialogButtonBox::AcceptRole);
    use_->setObjectName(QStringLiteral("go"));
    use_->style()->polish(use_); // it was made before it had this name
    connect(buttons, &QDialogButtonBox::accepted, this, &QDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    foot->addWidget(buttons);
    column->addLayout(foot);
    connect(list_, &QListWidget::currentRowChanged, this, [this](int at) {
        if (!filling_) {
            choose(at);
        }
    });
    list_names();
    choose(now_.empty() ? -1 : 0);
    give_mnemonics(*this);
}

void DestinationsDialog::add_field(const QString& name, const char* key, const QString& why, const QStringList& choices,
                                   const std::vector<nlohmann::json>& values) {
    QWidget* field = nullptr;
    if (choices.isEmpty()) {
        auto* line = new QLineEdit(form_);
        connect(line, &QLineEdit::textEdited, this, &DestinationsDialog::read_fields);
        rows_.push_back({[line, key](nlohmann::json& to) {
                             const QString text = line->text().trimmed();
                             if (text.isEmpty() && may_be_empty(key)) {
                                 to.erase(key);
                                 return QString();
                             }
                             if (is_number(key) || std::string_view(key) == "max_shapes") {
                                 return put_number(to, key, text);
                             }
                             to[key] = text.toStdString();
                             return QString();
                         },
                         [line, key](const nlohmann::json& from) { line->setText(written_in(from, key)); }});
        field = line;
    } else {
        auto* box = new QComboBox(form_);
        box->addItems(choices);
        connect(box, &QComboBox::activated, this, &DestinationsDialog::read_fields);
        std::vector<nlohmann::json> all = values;
        for (qsizetype i = static_cast<qsizetype>(all.size()); i < choices.size(); ++i) {
            all.emplace_back(choices[i].toStdString());
        }
        rows_.push_back({[box, all, key](nlohmann::json& to) {
                             to[key] = all[static_cast<size_t>(box->currentIndex())];
                             return QString();
                         },
                         [box, all, key](const nlohmann::json& from) {
                             const auto found = std::find(all.begin(), all.end(), from.value(key, nlohmann::json()));
                             box->setCurrentIndex(found == all.end() ? 0 : static_cast<int>(found - all.begin()));
                         }});
        field = box;
    }
    field->setObjectName(QStringLiteral("destination_") + QString::fromUtf8(key));
    add_row(name, field, why);
}

void DestinationsDialog::add_row(const QString& name, QWidget* field, const QString& why) {
    auto* holder = new QWidget(form_);
    auto* column = new QVBoxLayout(holder);
    column->setContentsMargins(0, 0, 0, 4);
    column->setSpacing(0);
    column->addWidget(field);
    auto* label = new QLabel(name, form_);
    label->setBuddy(field);
    fields_->addRow(label, holder);
    if (why.isEmpty()) {
        return;
    }
    auto* words = new QLabel(why, holder);
    words->setObjectName(QStringLiteral("soft"));
    words->setStyleSheet(QStringLiteral("font-size: 11px;"));
    words->setWordWrap(true);
    column->addWidget(words);
}

void DestinationsDialog::add_kinds_of_files() {
    auto* kinds = new QWidget(form_);
    auto* grid = new QGridLayout(kinds);
    grid->setContentsMargins(0, 0, 0, 0);
    grid->setVerticalSpacing(2);
    std::vector<std::pair<QCheckBox*, std::string>> boxes;
    for (const FileKind& kind : file_kinds()) {
        auto* box = new QCheckBox(localized(kind.label), kinds);
        box->setObjectName(QStringLiteral("takes_") + to_qstring(kind.id));
        box->setToolTip(localized(kind.help));
        connect(box, &QCheckBox::clicked, this, &DestinationsDialog::read_fields);
        const int at = static_cast<int>(boxes.size());
        grid->addWidget(box, at / 3, at % 3);
        boxes.emplace_back(box, std::string(kind.id));
    }
    rows_.push_back({[boxes](nlohmann::json& to) {
                         nlohmann::json chosen = nlohmann::json::array();
                         nlohmann::json usual = nlohmann::json::array();
                         for (const auto& [box, id] : boxes) {
                             if (box->isChecked()) {
                                 chosen.push_back(id);
                             }
                             if (file_kind(id)->is_usual) {
                                 usual.push_back(id);
                             }
                         }
                         to.erase("deliverables");
                         if (chosen.empty()) {
                             return tr("Nothing goes out: choose what.");
                         }
                         if (chosen != usual) {
                             to["deliverables"] = chosen;
                         }
                         return QString();
                     },
                     [boxes](const nlohmann::json& from) {
                         const nlohmann::json chosen = from.value("deliverables", nlohmann::json());
                         for (const auto& [box, id] : boxes) {
                             box->setChecked(chosen.is_array()
                                                 ? std::find(chosen.begin(), chosen.end(), id) != chosen.end()
                                                 : file_kind(id)->is_usual);
                         }
                     }});
    add_row(tr("What goes out"), kinds,
            tr("Files of these kinds, where the job has something of the kind and the container holds it."));
    auto* tokens =
        new QLabel(tr("{job}, {destination}, {kind}, {date} and {number} are filled in, “/” makes folders."), form_);
    tokens->setObjectName(QStringLiteral("soft"));
    tokens->setWordWrap(true);
    fields_->addRow(tr("How they are called"), tokens);
    for (const FileKind& kind : file_kinds()) {
        if (!kind.named.empty()) {
            continue;
        }
        QStringList more;
        for (const QString& one : to_qstring(kind.tokens).split(QLatin1Char(' '), Qt::SkipEmptyParts)) {
            more << QStringLiteral("{%1}").arg(one);
        }
        template_keys_.push_back(std::string(kind.id) + "_file");
        const char* key = template_keys_.back().c_str();
        add_field(localized(kind.label), key,
                  more.isEmpty() ? QString() : tr("Filled in as well: %1").arg(more.join(QStringLiteral(", "))));
        auto* line = form_->findChild<QLineEdit*>(QStringLiteral("destination_") + QString::fromUtf8(key));
        line->setPlaceholderText(to_qstring(kind.file));
        template_rows_.emplace_back(line->parentWidget(), kind.id);
    }
    preview_ = new QLabel(form_);
    preview_->setObjectName(QStringLiteral("filePreview"));
    preview_->setWordWrap(true);
    preview_->setTextInteractionFlags(Qt::TextSelectableByMouse);
    fields_->addRow(tr("So they are called"), preview_);
}

void DestinationsDialog::show_preview() {
    for (const auto& [row, kind] : template_rows_) {
        const bool is_of_a_usual_cache = kind == "cache"; // whose template others share
        const Destination* now = row_ < 0 ? nullptr : &now_[static_cast<size_t>(row_)];
        fields_->setRowVisible(row, now != nullptr && (takes_kind(*now, kind) ||
                                                       (is_of_a_usual_cache &&
                                                        (takes_kind(*now, "textures") || takes_kind(*now, "shapes")))));
    }
    if (row_ >= 0 && names_of_) {
        const QStringList names = names_of_(now_[static_cast<size_t>(row_)]);
        constexpr qsizetype most = 14;
        preview_->setText(names.mid(0, most).join(QLatin1Char('\n')) +
                          (names.size() > most ? tr("\n… and %1 more").arg(names.size() - most) : QString()));
    }
}

QString DestinationsDialog::file_filter() {
    return tr("Destinations (*.json)");
}

QString DestinationsDialog::open_file(const QString& file) {
    const Result<Destination> read = read_destination(file.toStdString());
    if (!read) {
        return localized(read.problem().sentence());
    }
    add(*read);
    return {};
}

QString DestinationsDialog::save_file(const QString& file) {
    const Outcome done =
        replace_file(file.toStdString(), destination_to_json(now_[static_cast<size_t>(row_)]).dump(2) + "\n");
    return done ? QString() : localized(done.problem().sentence());
}

void DestinationsDialog::add_reads_fields(const QStringList& axes) {
    const auto box_of = [this](const char* name, const QString& plain, const QStringList& others) {
        auto* box = new QComboBox(form_);
        box->setObjectName(QString::fromUtf8(name));
        box->addItem(plain);
        box->addItems(others);
        connect(box, &QComboBox::activated, this, &DestinationsDialog::read_fields);
        return box;
    };
    auto* up = box_of("destination_reads_up", tr("As the up axis above"), axes);
    auto* forward = box_of("destination_reads_forward", tr("By the shortest rotation"), axes);
    auto* hand = box_of("destination_reads_handedness", tr("As above"), {tr("Right"), tr("Left")});
    auto* unit = new QLineEdit(form_);
    unit->setObjectName(QStringLiteral("destination_reads_unit"));
    unit->setPlaceholderText(tr("as the unit above"));
    connect(unit, &QLineEdit::textEdited, this, &DestinationsDialog::read_fields);
    rows_.push_back(
        {[up, forward, hand, unit](nlohmann::json& to) {
             const QString text = unit->text().trimmed();
             if (up->currentIndex() == 0 && forward->currentIndex() == 0 && hand->currentIndex() == 0 &&
                 text.isEmpty()) {
                 to.erase("reads");
                 return QString();
             }
             nlohmann::json reads = {{"up", to["up"]}, {"handedness", to["handedness"]}, {"unit_m", to["unit_m"]}};
             if (up->currentIndex() > 0) {
                 reads["up"] = up->currentText().toStdString();
             }
             if (hand->currentIndex() > 0) {
                 reads["handedness"] = hand->currentIndex() == 1 ? "right" : "left";
             }
             Destination plain;
             plain.axes.up = axis_from(reads["up"].get<std::string>()).value_or(Axis::pos_y);
             reads["forward"] = forward->currentIndex() > 0 ? forward->currentText().toStdString()
                                                            : std::string(axis_name(plain.takes_files_as().forward));
             QString wrong = text.isEmpty() ? QString() : put_number(reads, "unit_m", text);
             to["reads"] = reads;
             return wrong;
         },
         [up, forward, hand, unit](const nlohmann::json& from) {
             const nlohmann::json reads = from.value("reads", nlohmann::json());
             const bool any = !reads.is_null();
             const auto show = [&](QComboBox* box, const char* key, bool unlike) {
                 box->setCurrentIndex(any && unlike ? std::max(0, box->findText(QString::fromStdString(reads[key])))
                                                    : 0);
             };
             show(up, "up", any && reads["up"] != from["up"]);
             show(forward, "forward", any);
             const bool other_hand = any && reads["handedness"] != from["handedness"];
             hand->setCurrentIndex(!other_hand ? 0 : reads["handedness"] == "right" ? 1 : 2);
             unit->setText(any && reads["unit_m"] != from["unit_m"] ? written_in(reads, "unit_m") : QString());
         }});
    add_row(tr("File's up becomes"), up,
            tr("Which axis of the engine the file's +Y comes to be, where its importer turns it another way than the "
               "project counts."));
    add_row(
        tr("File's front becomes"), forward,
        tr("Which axis of the engine the file's +Z comes to be. Where the character looks there is worked out from it "
           "and held against the forward axis."));
    add_row(tr("Hand it reads by"), hand, tr("Whether what the engine makes of a file is right- or left-handed."));
    add_row(
        tr("Unit it reads (m)"), unit,
        tr("Metres in one unit of what the engine makes of a file: 1 where it takes the file's numbers as they are. "
           "Empty: the unit above."));
}

void DestinationsDialog::add_conventions() {
    auto* box = new QComboBox(form_);
    box->setObjectName(QStringLiteral("destination_convention"));
    box->addItem(tr("Its own, as set below"));
    for (const AxisSystem& one : conventions()) {
        box->addItem(localized(convention_words(one)));
    }
    connect(box, &QComboBox::activated, this, [this](int at) {
        if (at > 0 && row_ >= 0) {
            follow_convention(now_[static_cast<size_t>(row_)], conventions()[static_cast<size_t>(at) - 1]);
            choose(row_);
        }
    });
    rows_.push_back({[](nlohmann::json&) { return QString(); },
                     [this, box](const nlohmann::json&) {
                         const Destination& now = now_[static_cast<size_t>(row_)];
                         int at = 0;
                         for (size_t i = 0; i < conventions().size(); ++i) {
                             Destination by = now;
                             follow_convention(by, conventions()[i]);
                             at = by == now ? static_cast<int>(i) + 1 : at;
                         }
                         box->setCurrentIndex(at);
                     }});
    add_row(tr("Convention"), box, tr("Sets the axes, the hand, the unit and the front below by the usual ones."));
}

QVBoxLayout* DestinationsDialog::what_it_means(std::shared_ptr<const Scene> prepared) {
    auto* column = new QVBoxLayout;
    drawing_ = new AxesDrawing(this);
    drawing_->setFixedWidth(250);
    column->addWidget(drawing_);
    auto* title = new QLabel(prepared ? tr("<b>What it makes of this job</b>") : QString(), this);
    column->addWidget(title);
    if (prepared) {
        height_m_ = height_m(*prepared) > 0 ? height_m(*prepared) : height_m_;
    }
    foreseen_ = new ForeseenPanel(std::move(prepared), this);
    foreseen_->setFixedWidth(250);
    auto* scroll = new QScrollArea(this);
    scroll->setWidget(foreseen_);
    scroll->setWidgetResizable(true);
    scroll->setFixedWidth(268);
    scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    column->addWidget(scroll, 1);
    return column;
}

void DestinationsDialog::show_meaning() {
    const bool any = row_ >= 0;
    drawing_->setVisible(any);
    foreseen_->setVisible(any);
    if (!any) {
        newer_->hide();
        return;
    }
    const size_t at = static_cast<size_t>(row_);
    const Destination& now = now_[at];
    drawing_->show_axes(now.axes, height_m_);
    foreseen_->show_change(at < before_.size() ? before_[at] : now, now);
    const QString folder = team_folder();
    const std::optional<Destination> newer = newer_in_team(folder.toStdString(), now);
    team_->setVisible(!folder.isEmpty());
    newer_->setVisible(newer.has_value());
    if (newer) {
        newer_words_->setText(
            tr("The team has a newer one: revision %1, this is from %2.").arg(newer->revision).arg(now.revision));
    }
}

void DestinationsDialog::add_team_buttons(QHBoxLayout* row) {
    team_ = new QPushButton(tr("Save for the team"), this);
    team_->setObjectName(QStringLiteral("keepForTeam"));
    connect(team_, &QPushButton::clicked, this, &DestinationsDialog::keep_for_team);
    row->addWidget(team_);
    newer_ = new QWidget(this);
    newer_->setObjectName(QStringLiteral("newerThere"));
    auto* line = new QHBoxLayout(newer_);
    line->setContentsMargins(0, 0, 0, 0);
    newer_words_ = new QLabel(newer_);
    newer_words_->setObjectName(QStringLiteral("newerWords"));
    line->addWidget(newer_words_);
    auto* take = new QPushButton(tr("Take it"), newer_);
    take->setObjectName(QStringLiteral("takeNewer"));
    connect(take, &QPushButton::clicked, this, [this] {
        Destination& now = now_[static_cast<size_t>(row_)];
        if (const std::optional<Destination> newer = newer_in_team(team_folder().toStdString(), now)) {
            now = *newer;
            list_names();
            choose(row_);
        }
    });
    line->addWidget(take);
    line->addStretch(1);
    static_cast<QVBoxLayout*>(layout())->addWidget(newer_);
    newer_->hide();
}

void DestinationsDialog::keep_for_team() {
    Destination& now = now_[static_cast<size_t>(row_)];
    const Outcome done = save_to_team(team_folder().toStdString(), now, over_newer_);
    // The second press after the warning saves over it.
    over_newer_ = !done && newer_in_team(team_folder().toStdString(), now).has_value();
    team_->setText(done          ? tr("Kept as revision %1").arg(now.revision)
                   : over_newer_ ? tr("Save over it all the same")
                                 : tr("Save for the team"));
    problem_->setText(done ? QString() : localized(done.problem().sentence()));
    if (done) {
        newer_->hide();
    }
}

void DestinationsDialog::list_names() {
    filling_ = true;
    list_->clear();
    for (const Destination& one : now_) {
        list_->addItem(QString::fromStdString(one.name));
    }
    list_->setCurrentRow(row_);
    filling_ = false;
}

void DestinationsDialog::choose(int row) {
    filling_ = true;
    row_ = row;
    list_->setCurrentRow(row);
    form_->setEnabled(row >= 0);
    for (QPushButton* button : {reset_, keep_, remove_, save_, compare_, team_}) {
        button->setEnabled(row >= 0);
    }
    keep_->setText(tr("Save to my library"));
    team_->setText(tr("Save for the team"));
    over_newer_ = false;
    if (row >= 0) {
        const nlohmann::json json = destination_to_json(now_[static_cast<size_t>(row)]);
        for (const Field& field : rows_) {
            field.write(json);
        }
        contract_->show_contract(now_[static_cast<size_t>(row)].contract);
        options_of_.clear();
        show_options();
        show_preview();
    }
    show_meaning();
    filling_ = false;
    read_fields();
}

void DestinationsDialog::add(const Destination& destination) {
    Destination fresh = destination;
    const auto taken = [&] {
        return std::any_of(now_.begin(), now_.end(), [&](const Destination& one) { return one.name == fresh.name; });
    };
    for (int number = 2; taken(); ++number) {
        fresh.name = destination.name + " " + std::to_string(number);
    }
    now_.push_back(fresh);
    row_ = static_cast<int>(now_.size()) - 1;
    list_names();
    choose(row_);
}

void DestinationsDialog::show_options() {
    const Destination& destination = now_[static_cast<size_t>(row_)];
    if (destination.container == options_of_) {
        return;
    }
    delete options_;
    options_ = nullptr;
    option_readers_.clear();
    options_of_ = destination.container;
    const Format* format = format_with_id(options_of_);
    if (format == nullptr || format->options.empty()) {
        return;
    }
    options_ = new QWidget(form_);
    options_->setObjectName(QStringLiteral("containerOptions"));
    auto* form = new QFormLayout(options_);
    form->setContentsMargins(0, 0, 0, 0);
    const nlohmann::json values = destination.options_of(options_of_);
    for (const Parameter& option : format->options) {
        ParameterField field =
            make_parameter_field(option, values, nlohmann::json::object(), options_, [this] { read_fields(); });
        field.widget->setObjectName(QStringLiteral("option_") + to_qstring(option.key));
        field.widget->setToolTip(localized(option.help));
        form->addRow(label_of(option), field.widget);
        option_readers_.push_back(std::move(field.read));
    }
    options_place_->addWidget(options_);
}

void DestinationsDialog::read_fields() {
    if (filling_ || row_ < 0) {
        problem_->clear();
        use_->setEnabled(true);
        return;
    }
    nlohmann::json json = destination_to_json(now_[static_cast<size_t>(row_)]);
    QString wrong;
    for (const Field& field : rows_) {
        const QString one = field.read(json);
        wrong = wrong.isEmpty() ? one : wrong;
    }
    if (json["container"] == options_of_ && !option_readers_.empty()) {
        nlohmann::json& options = json["format_options"].emplace(options_of_, nlohmann::json::object()).first.value();
        const nlohmann::json before = options;
        for (const auto& read : option_readers_) {
            const QString one = read(options);
            wrong = wrong.isEmpty() ? one : wrong;
        }
        // What nobody set and is as it would be anyway is not set by looking at it: that would make files stale.
        for (const Parameter& option : format_with_id(options_of_)->options) {
            const std::string key(option.key);
            if (!before.contains(key) && options.value(key, nlohmann::json()) == option.otherwise) {
                options.erase(key);
            }
        }
        if (options.empty()) {
            json["format_options"].erase(options_of_);
        }
    }
    if (wrong.isEmpty()) {
        Result<Destination> read = destination_from_json(json, "");
        if (!read) {
            wrong = localized(read.problem().sentence());
        } else {
            for (size_t i = 0; i < now_.size(); ++i) {
                if (static_cast<int>(i) != row_ && now_[i].name == read->name) {
                    wrong = tr("Another destination is called “%1”.").arg(QString::fromStdString(read->name));
                }
            }
            if (wrong.isEmpty()) {
                now_[static_cast<size_t>(row_)] = read.take();
                show_options();
                show_preview();
                show_meaning();
                filling_ = true;
                list_->item(row_)->setText(QString::fromStdString(now_[static_cast<size_t>(row_)].name));
                filling_ = false;
            }
        }
    }
    problem_->setText(wrong);
    use_->setEnabled(wrong.isEmpty());
}

} // namespace wembrix::app
