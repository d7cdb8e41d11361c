#include "stations/strands/strand_panel.h"
#include "style/language.h"

#include "core/steps/step_kind.h"
#include "style/numbers.h"
#include "style/theme.h"

#include <QCheckBox>
#include <QComboBox>
#include <QDoubleSpinBox>
#include <QFormLayout>
#include <QHBoxLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QScrollArea>
#include <QSignalBlocker>
#include <QSpinBox>
#include <QVBoxLayout>
#include <charconv>
#include <fmt/format.h>

namespace wembrix::app {

namespace {

QLabel* heading(const QString& words, QWidget* parent) {
    auto* label = new QLabel(words, parent);
    label->setStyleSheet(QStringLiteral("font-weight: 600;"));
    return label;
}

QPushButton* small_button(const char* id, const QString& text, const QString& tip, QWidget* parent) {
    auto* button = new QPushButton(text, parent);
    button->setObjectName(QString::fromUtf8(id));
    button->setToolTip(tip);
    return button;
}

const Parameter* parameter_of(const char* step, std::string_view key) {
    const StepKind* kind = step_kind(step);
    for (const Parameter& one : kind->parameters) {
        if (one.key == key) {
            return &one;
        }
    }
    return nullptr;
}

} // namespace

StrandPanel::StrandPanel(StrandBoard& board, QWidget* parent) : QWidget(parent), board_(board) {
    auto* outer = new QVBoxLayout(this);
    outer->setContentsMargins(0, 0, 0, 0);
    outer->setSpacing(6);
    auto* top = new QHBoxLayout;
    which_ = new QComboBox(this);
    which_->setObjectName(QStringLiteral("whichStrands"));
    which_->setEditable(true);
    which_->lineEdit()->setAccessibleName(tr("Strands"));
    which_->setInsertPolicy(QComboBox::NoInsert);
    which_->setMinimumContentsLength(12);
    which_->setToolTip(tr("The strands that are worked on; while new ones are begun, what they are to be called"));
    connect(which_, &QComboBox::activated, this, [this](int at) {
        begins_ = false;
        board_.choose_strands(which_->itemText(at).toStdString());
    });
    top->addWidget(which_, 1);
    begin_ = small_button("newStrands", tr("New"),
                          tr("Begin other strands: name them, choose faces, take them as their region"), this);
    connect(begin_, &QPushButton::clicked, this, [this] {
        begins_ = true;
        which_->setEditText(new_name());
        which_->lineEdit()->selectAll();
        which_->setFocus();
        refresh();
    });
    top->addWidget(begin_);
    remove_ = small_button("removeStrands", tr("Remove"), tr("Take all steps of these strands off the card"), this);
    connect(remove_, &QPushButton::clicked, this, [this] { board_.remove(); });
    top->addWidget(remove_);
    outer->addLayout(top);
    auto* area = new QScrollArea(this);
    area->setObjectName(QStringLiteral("strandParts"));
    area->setFocusPolicy(Qt::NoFocus); // what is in it takes the keys
    area->setWidgetResizable(true);
    area->setFrameShape(QFrame::NoFrame);
    area->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    auto* inside = new QWidget(area);
    auto* column = new QVBoxLayout(inside);
    column->setContentsMargins(0, 0, 6, 0);
    column->setSpacing(10);
    column->addWidget(make_region());
    guides_ = make_guides();
    column->addWidget(guides_);
    growth_ = make_growth();
    column->addWidget(growth_);
    column->addStretch(1);
    area->setWidget(inside);
    outer->addWidget(area, 1);
    connect(&board_, &StrandBoard::changed, this, [this] {
        begins_ = begins_ && !board_.all().empty();
        refresh();
    });
    connect(&board_, &StrandBoard::guidesChanged, this, &StrandPanel::refresh_guides);
    refresh();
    refresh_guides();
}

void StrandPanel::show_parting_tool(bool in_use) {
    draw_parting_->setChecked(in_use);
}

QString StrandPanel::new_name() const {
    const QString typed = which_->currentText().trimmed();
    const auto is_there = [&](const QString& name) {
        return std::any_of(board_.all().begin(), board_.all().end(),
                           [&](const std::string& one) { return QString::fromStdString(one) == name; });
    };
    if (!typed.isEmpty() && !is_there(typed)) {
        return typed;
    }
    QString name = QStringLiteral("strands");
    for (int number = 2; is_there(name); ++number) {
        name = QStringLiteral("strands_%1").arg(number);
    }
    return name;
}

QWidget* StrandPanel::make_region() {
    auto* part = new QWidget(this);
    auto* column = new QVBoxLayout(part);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(4);
    column->addWidget(heading(tr("Region"), part));
    region_said_ = new QLabel(part);
    region_said_->setObjectName(QStringLiteral("regionSaid"));
    region_said_->setWordWrap(true);
    column->addWidget(region_said_);
    chosen_said_ = new QLabel(part);
    chosen_said_->setObjectName(QStringLiteral("soft"));
    chosen_said_->setWordWrap(true);
    column->addWidget(chosen_said_);
    auto* row = new QHBoxLayout;
    row->setSpacing(4);
    const auto add = [&](const char* id, const QString& text, const QString& tip, void (StrandPanel::*signal)()) {
        auto* button = small_button(id, text, tip, part);
        connect(button, &QPushButton::clicked, this, signal);
        row->addWidget(button);
        choice_buttons_.push_back(button);
    };
    add("floodFaces", tr("Flood"), tr("All faces that hang together with the chosen ones"), &StrandPanel::floodChoice);
    add("growFaces", tr("Grow"), tr("One ring of faces more"), &StrandPanel::growChoice);
    add("shrinkFaces", tr("Shrink"), tr("One ring of faces less"), &StrandPanel::shrinkChoice);
    column->addLayout(row);
    auto* take = new QHBoxLayout;
    take->setSpacing(4);
    take_region_ = small_button("takeRegion", tr("Take as region"), tr("The strands grow on the chosen faces"), part);
    connect(take_region_, &QPushButton::clicked, this, &StrandPanel::regionAsked);
    take->addWidget(take_region_);
    slot_ = new QComboBox(part);
    slot_->setObjectName(QStringLiteral("regionSlot"));
    slot_->setToolTip(tr("Grow on all faces of a material slot instead"));
    connect(slot_, &QComboBox::activated, this, [this](int at) {
        if (at > 0) {
            Q_EMIT slotAsked(slot_->itemText(at));
        }
    });
    take->addWidget(slot_, 1);
    column->addLayout(take);
    return part;
}

QWidget* StrandPanel::make_guides() {
    auto* part = new QWidget(this);
    auto* column = new QVBoxLayout(part);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(4);
    column->addWidget(heading(tr("Guides"), part));
    guides_said_ = new QLabel(part);
    guides_said_->setObjectName(QStringLiteral("guidesSaid"));
    column->addWidget(guides_said_);
    auto* form = new QFormLayout;
    form->setContentsMargins(0, 0, 0, 0);
    form->setVerticalSpacing(3);
    length_ = new QDoubleSpinBox(part);
    length_->setObjectName(QStringLiteral("guideLength"));
    length_->setRange(0, 100000);
    length_->setSpecialValueText(tr("none is chosen"));
    length_->setDecimals(1);
    length_->setSuffix(tr(" mm"));
    length_->setKeyboardTracking(false);
    connect(length_, &QDoubleSpinBox::valueChanged, this, [this](double mm) {
        if (mm > 0) {
            board_.set_length(mm / 1000);
        }
    });
    form->addRow(tr("Length of the chosen"), length_);
    points_ = new QSpinBox(part);
    points_->setObjectName(QStringLiteral("guidePoints"));
    points_->setRange(2, 200);
    points_->setKeyboardTracking(false);
    connect(points_, &QSpinBox::valueChanged, this, [this](int count) { board_.set_points(count); });
    form->addRow(tr("Points of each"), points_);
    column->addLayout(form);
    keeps_length_ = new QCheckBox(tr("A pull bends and keeps the length"), part);
    keeps_length_->setObjectName(QStringLiteral("keepsLength"));
    keeps_length_->setChecked(board_.keeps_length());
    connect(keeps_length_, &QCheckBox::toggled, this, [this](bool on) { board_.set_keeps_length(on); });
    column->addWidget(keeps_length_);
    auto* first = new QHBoxLayout;
    auto* second = new QHBoxLayout;
    const auto add = [&](QHBoxLayout* row, const char* id, const QString& text, const QString& tip, auto does) {
        auto* button = small_button(id, text, tip, part);
        connect(button, &QPushButton::clicked, this, does);
        row->addWidget(button);
        guide_buttons_.push_back(button);
    };
    for (QHBoxLayout* row : {first, second}) {
        row->setSpacing(4);
        column->addLayout(row);
    }
    add(first, "mirrorGuides", tr("Mirror"), tr("The chosen ones once more on the other side"),
        [this] { board_.mirror(); });
    add(first, "smoothGuides", tr("Smooth"), tr("Take corners out of the chosen ones"), [this] { board_.smooth(); });
    add(first, "takeGuidesAway", tr("Take away"), tr("The chosen ones"), [this] { board_.take_away(); });
    add(second, "turnGuidesLeft", tr("Turn −15°"), tr("The chosen ones about the normal at their roots"),
        [this] { Q_EMIT turnAsked(-15); });
    add(second, "turnGuidesRight", tr("Turn +15°"), tr("The chosen ones about the normal at their roots"),
        [this] { Q_EMIT turnAsked(15); });
    auto* all = small_button("chooseAllGuides", tr("All"), tr("Choose every guide"), part);
    connect(all, &QPushButton::clicked, this, [this] { board_.choose_all(); });
    second->addWidget(all);
    auto* spread = small_button("spreadGuides", tr("Spread…"),
                                tr("Some to begin with, over the region; or from curves that were brought in"), part);
    connect(spread, &QPushButton::clicked, this, [this] {
        Q_EMIT stepAsked({"strand_guides", {{"strands", board_.name()}, {"spread", 12}, {"length_mm", 60}}});
    });
    second->addWidget(spread);
    return part;
}

void StrandPanel::add_number(QFormLayout& form, const char* key) {
    const Parameter* parameter = parameter_of("grow_strands", key);
    auto* box = new QDoubleSpinBox(this);
    box->setObjectName(QString::fromUtf8(key));
    const bool whole = parameter->kind == Parameter::Kind::whole;
    box->setDecimals(whole ? 0 : 2);
    box->setRange(std::max(parameter->least, -1e7), std::min(parameter->most, 1e7));
    box->setSingleStep(whole ? 10 : parameter->most <= 1 ? 0.05 : 0.5);
    if (!parameter->unit_text.empty()) {
        box->setSuffix(QStringLiteral(" ") + localized(parameter->unit_text));
    }
    box->setToolTip(localized(parameter->help));
    box->setKeyboardTracking(false);
    connect(box, &QDoubleSpinBox::valueChanged, this,
            [this, key, whole, label = localized(parameter->label)](double value) {
                nlohmann::json values;
                if (whole) {
                    values[key] = static_cast<int64_t>(std::llround(value));
                } else {
                    values[key] = value;
                }
                board_.set("grow_strands", label, values);
            });
    auto* label = new QLabel(localized(parameter->label), this);
    label->setMinimumWidth(104); // one edge through all forms
    form.addRow(label, box);
    numbers_[key] = box;
}

QWidget* StrandPanel::make_growth() {
    auto* part = new QWidget(this);
    auto* column = new QVBoxLayout(part);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(4);
    column->addWidget(heading(tr("Growth"), part));
    const auto form_of = [&](std::initializer_list<const char*> keys) {
        auto* form = new QFormLayout;
        form->setContentsMargins(0, 0, 0, 0);
        form->setVerticalSpacing(3);
        for (const char* key : keys) {
            add_number(*form, key);
        }
        column->addLayout(form);
        return form;
    };
    const auto plot_of = [&](const char* id, const char* key, const QString& what) {
        auto* plot = new ProfilePlot(what, part);
        plot->setObjectName(QString::fromUtf8(id));
        connect(plot, &ProfilePlot::settled, this, [this, key, what](const std::vector<double>& values) {
            nlohmann::json list = nlohmann::json::array();
            for (const double value : values) {
                list.push_back(fmt::format("{:g}", value));
            }
            board_.set("grow_strands", what, {{key, list}});
        });
        column->addWidget(plot);
        return plot;
    };
    form_of({"count", "share", "points", "length", "length_varies", "width_root_mm", "width_tip_mm"});
    width_ = plot_of("widthProfile", "width_profile", tr("Width, root to tip"));
    form_of({"clumps", "clump"});
    clump_ = plot_of("clumpProfile", "clump_profile", tr("Clumped, root to tip"));
    form_of({"noise_mm", "noise_wave_mm"});
    noise_ = plot_of("noiseProfile", "noise_profile", tr("Noise, root to tip"));
    auto* last = form_of({"curl_mm", "curl_turns", "lift_deg", "seed"});
    trimmed_ = new QCheckBox(tr("Cut at the surface"), part);
    trimmed_->setObjectName(QStringLiteral("trimmed"));
    trimmed_->setToolTip(tr("A strand ends where it would go into the body"));
    connect(trimmed_, &QCheckBox::clicked, this, [this](bool on) {
        board_.set("grow_strands", tr("Cut strands at the surface"), {{"trimmed", on}});
    });
    last->addRow(QString(), trimmed_);
    auto* partings = new QHBoxLayout;
    partings->setSpacing(4);
    partings_said_ = new QLabel(part);
    partings_said_->setObjectName(QStringLiteral("partingsSaid"));
    partings->addWidget(partings_said_, 1);
    draw_parting_ =
        small_button("drawParting", tr("Draw…"),
                     tr("Draw a line on the surface: strands of one side take nothing from the other"), part);
    draw_parting_->setCheckable(true);
    connect(draw_parting_, &QPushButton::clicked, this, &StrandPanel::partingAsked);
    partings->addWidget(draw_parting_);
    no_partings_ = small_button("noPartings", tr("Clear"), tr("Take all partings away"), part);
    connect(no_partings_, &QPushButton::clicked, this, [this] {
        board_.set("grow_strands", tr("Take partings away"), {{"partings", nullptr}});
    });
    partings->addWidget(no_partings_);
    column->addLayout(partings);
    auto* more =
        small_button("moreGrowth", tr("All of growth…"), tr("Density, finer clumps, parting and the rest"), part);
    connect(more, &QPushButton::clicked, this, [this] {
        Q_EMIT stepAsked({"grow_strands", {{"strands", board_.name()}}});
    });
    column->addWidget(more);
    column->addSpacing(6);
    column->addWidget(heading(tr("Over clips"), part));
    auto* follow = new QFormLayout;
    follow->setContentsMargins(0, 0, 0, 0);
    follow_ = new QComboBox(part);
    follow_->setObjectName(QStringLiteral("follow"));
    follow_->addItem(tr("not at all"), QStringLiteral("still"));
    follow_->addItem(tr("stiff, with the face at the root"), QStringLiteral("stiff"));
    follow_->addItem(tr("along the surface"), QStringLiteral("surface"));
    follow_->addItem(tr("the joints that hold the root"), QStringLiteral("joints"));
    connect(follow_, &QComboBox::activated, this, [this](int at) {
        board_.set("bind_strands", tr("Strands follow"), {{"follow", follow_->itemData(at).toString().toStdString()}});
    });
    follow->addRow(tr("Follow"), follow_);
    column->addLayout(follow);
    cache_ = small_button("cacheStrands", tr("Cache over clips…"),
                          tr("Where every point is at each frame goes out in a file of its own"), part);
    connect(cache_, &QPushButton::clicked, this, [this] {
        Q_EMIT stepAsked({"cache_strands", {{"strands", board_.name()}}});
    });
    column->addWidget(cache_);
    column->addSpacing(6);
    column->addWidget(heading(tr("For engines without strands"), part));
    auto* instead = new QHBoxLayout;
    const auto make = [&](const char* name, const QString& label, const QString& hint, const char* step) {
        QPushButton* button = small_button(name, label, hint, part);
        connect(button, &QPushButton::clicked, this, [this, step] {
            Q_EMIT stepAsked({step, {{"strands", board_.name()}}});
        });
        instead->addWidget(button);
    };
    make("cardsFromStrands", tr("Cards…"),
         tr("Ribbons or tubes, one for each group of strands that run alike, under the same skin"), "strand_cards");
    make("linesFromStrands", tr("Lines…"), tr("Each strand as a line of a surface, with its width"),
         "lines_from_strands");
    column->addLayout(instead);
    return part;
}

void StrandPanel::show_choice(const QString& surface, size_t vertices) {
    chosen_vertices_ = vertices;
    chosen_said_->setText(vertices == 0 ? tr("No faces are chosen in the view.")
                                        : tr("%1 of “%2” chosen").arg(counted(vertices, "vertex"), surface));
    for (QPushButton* button : choice_buttons_) {
        button->setEnabled(vertices > 0);
    }
    take_region_->setEnabled(vertices > 0);
}

void StrandPanel::show_profile(ProfilePlot& plot, const char* key, const std::vector<double>& otherwise) {
    std::vector<double> values;
    const nlohmann::json list = board_.setting("grow_strands", key);
    for (const nlohmann::json& one : list.is_array() ? list : nlohmann::json::array()) {
        const std::string text = one.is_string() ? one.get<std::string>() : std::string();
        double value = 0;
        std::from_chars(text.data(), text.data() + text.size(), value);
        values.push_back(value);
    }
    plot.show_values(values.size() < 2 ? otherwise : values);
}

void StrandPanel::refresh() {
    const bool made = board_.is_made() && !begins_;
    {
        const QSignalBlocker quiet(which_);
        const QString typed = which_->currentText();
        which_->clear();
        for (const std::string& one : board_.all()) {
            which_->addItem(QString::fromStdString(one));
        }
        which_->setEditText(begins_ || board_.all().empty() ? (typed.isEmpty() ? new_name() : typed)
                                                            : QString::fromStdString(board_.name()));
    }
    which_->lineEdit()->setReadOnly(!begins_ && !board_.all().empty());
    remove_->setVisible(made);
    begin_->setVisible(!begins_ && !board_.all().empty());
    const std::shared_ptr<const Scene> scene = board_.prepared();
    const int at = board_.node();
    const int on = board_.surface();
    if (begins_ || board_.all().empty()) {
        region_said_->setText(
            tr("Name the strands, choose the faces that they grow on, and take them as their region."));
    } else if (!made) {
        region_said_->setText(on < 0 ? tr("Brought in, and rooted on no surface yet.")
                                     : tr("Brought in, rooted on “%1”.")
                                           .arg(QString::fromStdString(scene->nodes[static_cast<size_t>(on)].name)));
    } else if (at >= 0 && on >= 0) {
        const CurveSet& curves = scene->curve_sets[static_cast<size_t>(scene->nodes[static_cast<size_t>(at)].curves)];
        const auto faces = static_cast<qulonglong>(
            std::count_if(curves.region.begin(), curves.region.end(), [](float d) { return d > 0; }));
        const double cm2 = board_.facts() ? board_.facts()->region_cm2 : 0;
        region_said_->setText(tr("%1 of “%2”%3")
                                  .arg(counted(faces, "face"),
                                       QString::fromStdString(scene->nodes[static_cast<size_t>(on)].name),
                                       cm2 > 0 ? tr(", %1 cm²").arg(cm2, 0, 'f', 1) : QString()));
    } else {
        region_said_->setText(tr("Its steps do not fit: see the route card."));
    }
    {
        const QSignalBlocker quiet(slot_);
        slot_->clear();
        slot_->addItem(tr("or a slot…"));
        for (const Material& material : scene ? scene->materials : std::vector<Material>()) {
            slot_->addItem(QString::fromStdString(material.name));
        }
        const nlohmann::json now = board_.setting("strand_region", "material");
        if (made && now.is_string() && !now.get<std::string>().empty()) {
            slot_->setCurrentText(QString::fromStdString(now.get<std::string>()));
        }
    }
    slot_->setVisible(scene && !scene->materials.empty());
    guides_->setVisible(made);
    growth_->setVisible(made);
    for (const auto& [key, box] : numbers_) {
        const QSignalBlocker quiet(box);
        const nlohmann::json value = board_.setting("grow_strands", key.c_str());
        box->setValue(value.is_number() ? value.get<double>() : 0);
    }
    const auto number = [&](const char* key) { return numbers_.at(key)->value(); };
    trimmed_->setChecked(board_.setting("grow_strands", "trimmed") == nlohmann::json(true));
    const nlohmann::json partings = board_.setting("grow_strands", "partings");
    partings_said_->setText(partings.is_array() && !partings.empty()
                                ? tr("Partings: %1").arg(static_cast<qulonglong>(partings.size()))
                                : tr("Partings: none"));
    no_partings_->setEnabled(partings.is_array() && !partings.empty());
    width_->set_words(tr("Width, root to tip: %1 to %2 mm")
                          .arg(number("width_root_mm"), 0, 'g', 3)
                          .arg(number("width_tip_mm"), 0, 'g', 3));
    const nlohmann::json map = board_.setting("grow_strands", "clump_map");
    const bool has_map = map.is_string() && map != nlohmann::json("");
    clump_->set_words(has_map ? tr("Clumped, root to tip, by the colours of the map")
                              : tr("Clumped, root to tip, at %1 centres").arg(number("clumps"), 0, 'f', 0));
    numbers_.at("clumps")->setEnabled(!has_map);
    numbers_.at("clumps")->setToolTip(has_map ? tr("A map of clumps is in use (All of growth…)") : QString());
    noise_->set_words(tr("Noise, root to tip: %1 mm, every %2 mm")
                          .arg(number("noise_mm"), 0, 'g', 3)
                          .arg(number("noise_wave_mm"), 0, 'g', 3));
    show_profile(*width_, "width_profile", {1, 0.75, 0.5, 0.25, 0});
    show_profile(*clump_, "clump_profile", {0, 0.25, 0.5, 0.75, 1});
    show_profile(*noise_, "noise_profile", {0, 0.25, 0.5, 0.75, 1});
    const QSignalBlocker quiet(follow_);
    const nlohmann::json follow = board_.setting("bind_strands", "follow");
    follow_->setCurrentIndex(
        follow.is_string() ? std::max(0, follow_->findData(QString::fromStdString(follow.get<std::string>()))) : 0);
}

void StrandPanel::refresh_guides() {
    const std::vector<GuideLine>& guides = board_.guides();
    const std::set<size_t>& chosen = board_.chosen();
    guides_said_->setText(guides.empty() ? tr("None yet: plant some in the view, or spread some to begin with.")
                                         : tr("%1, %2 chosen").arg(counted(guides.size(), "guide")).arg(chosen.size()));
    guides_said_->setWordWrap(true);
    for (QPushButton* button : guide_buttons_) {
        button->setEnabled(!chosen.empty());
    }
    const QSignalBlocker quiet(length_);
    const QSignalBlocker quiet_too(points_);
    length_->setEnabled(!chosen.empty());
    points_->setEnabled(!guides.empty());
    const bool any = !chosen.empty() && *chosen.begin() < guides.size();
    length_->setValue(any ? guide_length(guides[*chosen.begin()]) * 1000 : 0);
    if (!guides.empty()) {
        points_->setValue(static_cast<int>(guides.front().size()));
    }
}

} // namespace wembrix::app
