#include "shell/destinations_dialog.h"

#include "core/formats/format.h"
#include "session/library.h"
#include "shell/contract_row.h"
#include "shell/parameter_field.h"
#include "style/mnemonics.h"
#include "style/theme.h"

#include <QComboBox>
#include <QDialogButtonBox>
#include <QFormLayout>
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
           name == "drift_limit_mm";
}

QString written_in(const nlohmann::json& json, const char* key) {
    const nlohmann::json& value = json[key];
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
    if (std::string_view(key) == "max_influences" || std::string_view(key) == "longest_name") {
        json[key] = static_cast<int>(value);
    } else {
        json[key] = value;
    }
    return {};
}

} // namespace

DestinationsDialog::DestinationsDialog(std::vector<Destination> destinations, std::optional<Contract> own,
                                       QWidget* parent)
    : QDialog(parent), before_(destinations), now_(std::move(destinations)) {
    setWindowTitle(tr("Destinations"));
    resize(820, 620);
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
    menu->addSeparator();
    for (const Destination& one : library_destinations()) {
        menu->addAction(tr("From the library: %1").arg(QString::fromStdString(one.name)), this,
                        [this, one] { add(one); });
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
            containers << to_qstring(format.label);
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
    add_field(tr("Up axis"), "up", tr("Which axis points to the sky once the engine has read the file."), axes);
    add_field(tr("Forward axis"), "forward", tr("Which axis a character looks along there."), axes);
    add_field(tr("Handedness"), "handedness",
              tr("Whether the engine's axes are those of a right or of a left hand. Files "
                 "stay right-handed; the engine's importer mirrors them."),
              {tr("Right"), tr("Left")}, {"right", "left"});
    add_field(tr("Unit (m)"), "unit_m",
              tr("Metres in one of its units: 0.01 for centimetres. Sizes are said in it; a .glb itself is always in "
                 "metres."));
    add_field(tr("Max influences"), "max_influences",
              tr("Influences per vertex. More are cut, the heaviest kept, and the loss is measured."));
    add_field(tr("Frame rate (fps)"), "rate", tr("Every joint is keyed at each of these frames."));
    add_field(
        tr("Last frame of a loop"), "keep_last",
        tr("Where a repeat's last frame is its first once more: an engine that plays frame 0 right after it wants "
           "it left out."),
        {tr("Keep"), tr("Leave out")}, {true, false});
    add_field(tr("Root joint"), "root", tr("The one joint at the top. A file with another root is held."));
    add_field(tr("Joint names"), "joint_names", tr("A regular expression that a whole name must fit."));
    add_field(tr("Longest name"), "longest_name", tr("Characters that a joint's name may have."));
    add_field(tr("Model file"), "model_file", tr("{job} and {destination} are filled in."));
    add_field(tr("Clip file"), "clip_file", tr("{job}, {destination} and {clip} are filled in."));
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
    auto* holder = new QWidget(form_);
    auto* column = new QVBoxLayout(holder);
    column->setContentsMargins(0, 0, 0, 4);
    column->setSpacing(0);
    QWidget* field = nullptr;
    if (choices.isEmpty()) {
        auto* line = new QLineEdit(holder);
        connect(line, &QLineEdit::textEdited, this, &DestinationsDialog::read_fields);
        rows_.push_back({[line, key](nlohmann::json& to) {
                             const QString text = line->text().trimmed();
                             if (is_number(key)) {
                                 return put_number(to, key, text);
                             }
                             to[key] = text.toStdString();
                             return QString();
                         },
                         [line, key](const nlohmann::json& from) { line->setText(written_in(from, key)); }});
        field = line;
    } else {
        auto* box = new QComboBox(holder);
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
                             const auto found = std::find(all.begin(), all.end(), from[key]);
                             box->setCurrentIndex(found == all.end() ? 0 : static_cast<int>(found - all.begin()));
                         }});
        field = box;
    }
    field->setObjectName(QStringLiteral("destination_") + QString::fromUtf8(key));
    column->addWidget(field);
    auto* words = new QLabel(why, holder);
    words->setObjectName(QStringLiteral("soft"));
    words->setStyleSheet(QStringLiteral("font-size: 11px;"));
    words->setWordWrap(true);
    column->addWidget(words);
    auto* label = new QLabel(name, form_);
    label->setBuddy(field);
    fields_->addRow(label, holder);
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
    for (QPushButton* button : {reset_, keep_, remove_}) {
        button->setEnabled(row >= 0);
    }
    keep_->setText(tr("Save to my library"));
    if (row >= 0) {
        const nlohmann::json json = destination_to_json(now_[static_cast<size_t>(row)]);
        for (const Field& field : rows_) {
            field.write(json);
        }
        contract_->show_contract(now_[static_cast<size_t>(row)].contract);
        options_of_.clear();
        show_options();
    }
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
        field.widget->setToolTip(to_qstring(option.help));
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
        for (const auto& read : option_readers_) {
            const QString one = read(options);
            wrong = wrong.isEmpty() ? one : wrong;
        }
    }
    if (wrong.isEmpty()) {
        Result<Destination> read = destination_from_json(json, "");
        if (!read) {
            wrong = QString::fromStdString(read.problem().sentence());
        } else {
            for (size_t i = 0; i < now_.size(); ++i) {
                if (static_cast<int>(i) != row_ && now_[i].name == read->name) {
                    wrong = tr("Another destination is called “%1”.").arg(QString::fromStdString(read->name));
                }
            }
            if (wrong.isEmpty()) {
                now_[static_cast<size_t>(row_)] = read.take();
                show_options();
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
