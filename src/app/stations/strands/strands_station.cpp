#include "stations/strands/strands_station.h"

#include "core/measure/surface/vertex_choice.h"
#include "style/numbers.h"
#include "style/theme.h"
#include "view/tools/line_tool.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <QVBoxLayout>
#include <algorithm>

namespace wembrix::app {

StrandsStation::StrandsStation(const StationContext& context, QWidget* parent)
    : StationPage(parent), document_(context.document), session_(context.session), clock_(context.clock) {
    board_ = new StrandBoard(context.document, context.session, context.clock, this);
    auto* outer = new QVBoxLayout(this);
    outer->setContentsMargins(10, 10, 10, 8);
    empty_ = offer(tr("No surfaces yet. Import a model: hair, feathers and fringes grow on its faces here."), this);
    outer->addWidget(empty_, 1);
    all_ = new QWidget(this);
    outer->addWidget(all_, 1);
    auto* row = new QHBoxLayout(all_);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(10);
    auto* left = new QVBoxLayout;
    left->setSpacing(6);
    left->addWidget(make_tools());
    paint_bar_ = new PaintBar(PaintBar::Of::density, all_);
    paint_bar_->hide();
    left->addWidget(paint_bar_);
    place_ = new QWidget(all_);
    auto* place_column = new QVBoxLayout(place_);
    place_column->setContentsMargins(0, 0, 0, 0);
    left->addWidget(place_, 14);
    facts_ = new QLabel(all_);
    facts_->setObjectName(QStringLiteral("strandFacts"));
    facts_->setTextFormat(Qt::RichText);
    facts_->setWordWrap(true);
    connect(facts_, &QLabel::linkActivated, this, &StrandsStation::mend);
    left->addWidget(facts_);
    left->addWidget(make_over_clip(), 3);
    row->addLayout(left, 14);
    panel_ = new StrandPanel(*board_, all_);
    panel_->setMinimumWidth(286);
    row->addWidget(panel_, 6);
    connect(panel_, &StrandPanel::stepAsked, this, &StrandsStation::stepAsked);
    connect(panel_, &StrandPanel::growChoice, this, [this] { ring(true); });
    connect(panel_, &StrandPanel::shrinkChoice, this, [this] { ring(false); });
    connect(panel_, &StrandPanel::floodChoice, this, &StrandsStation::flood);
    const auto region_name = [this] { return panel_->new_name().toStdString(); };
    painter_ = new DensityPainter(*board_, this);
    connect(painter_, &DensityPainter::kept, panel_, &StrandPanel::end_beginning);
    painter_->settings = [this] { return paint_bar_->settings(); };
    painter_->name = [this, region_name] {
        return panel_->begins() || !board_->is_made() ? region_name() : board_->name();
    };
    connect(panel_, &StrandPanel::regionAsked, this, [this, region_name] {
        const int at = surface_node();
        if (at >= 0) {
            const bool is_new = panel_->begins() || !board_->is_made();
            board_->set_region(is_new ? region_name() : board_->name(),
                               board_->prepared()->nodes[static_cast<size_t>(at)].name, vertices_);
            panel_->end_beginning();
            choose(0, {});
            use(Tool::plant);
        }
    });
    connect(panel_, &StrandPanel::slotAsked, this, [this, region_name](const QString& material) {
        const std::shared_ptr<const Scene> scene = board_->prepared();
        // The surface that has the slot.
        for (const int at : scene ? surfaces_of(*scene) : std::vector<int>()) {
            const Mesh& mesh = scene->meshes[static_cast<size_t>(scene->nodes[static_cast<size_t>(at)].mesh)];
            const bool has = std::any_of(mesh.primitives.begin(), mesh.primitives.end(), [&](const Primitive& part) {
                return part.material >= 0 &&
                       scene->materials[static_cast<size_t>(part.material)].name == material.toStdString();
            });
            if (has) {
                const bool is_new = panel_->begins() || !board_->is_made();
                board_->set_region_of_slot(is_new ? region_name() : board_->name(),
                                           scene->nodes[static_cast<size_t>(at)].name, material.toStdString());
                panel_->end_beginning();
                return;
            }
        }
    });
    connect(panel_, &StrandPanel::partingAsked, this,
            [this] { use(tool_ == Tool::parting ? Tool::none : Tool::parting); });
    connect(panel_, &StrandPanel::turnAsked, this, [this](double degrees) {
        const int on = board_->surface();
        if (on >= 0 && !board_->chosen().empty()) {
            const StrandSurface body(*board_->prepared(), on);
            const Vec3 root = board_->guides().at(*board_->chosen().begin()).front();
            board_->turn(body.normal_of(body.nearest(root)), degrees * M_PI / 180, true);
        }
    });
    connect(board_, &StrandBoard::changed, this, &StrandsStation::refresh);
    connect(board_, &StrandBoard::measured, this, [this] {
        panel_->refresh();
        say();
    });
    connect(board_, &StrandBoard::guidesChanged, this, [this] {
        if (twin_ != nullptr && twin_->prepared_view() != nullptr && isVisible()) {
            twin_->prepared_view()->update();
        }
    });
    // Guides are shaped on the surface at rest.
    connect(&clock_, &Clock::clipChanged, this, [this] {
        if (!clock_.clip().isEmpty() && tool_ != Tool::none) {
            use(Tool::none);
        }
    });
    choose(0, {});
    refresh();
}

QWidget* StrandsStation::make_tools() {
    auto* tools = new QWidget(all_);
    auto* row = new QHBoxLayout(tools);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(4);
    const auto add = [&](const char* id, const QString& text, const QString& tip, Tool tool) {
        auto* button = new QPushButton(text, tools);
        button->setObjectName(QString::fromUtf8(id));
        button->setProperty("mode", true);
        button->setCheckable(true);
        button->setToolTip(tip);
        connect(button, &QPushButton::clicked, this, [this, tool](bool on) { use(on ? tool : Tool::none); });
        row->addWidget(button);
        return button;
    };
    faces_ =
        add("chooseFaces", tr("Choose faces"), tr("Draw around the faces on which strands are to grow"), Tool::faces);
    density_ = add("paintDensity", tr("Paint density"),
                   tr("Paint how densely strands may grow, from none to full; begins with the region that is there"),
                   Tool::density);
    shape_ =
        add("shapeGuides", tr("Shape guides"), tr("Pull, bend, turn and lengthen guides in the view"), Tool::guides);
    plant_ = add("plantGuides", tr("Plant guides"), tr("A click on the region plants a guide along the normal"),
                 Tool::plant);
    row->addStretch(1);
    return tools;
}

QWidget* StrandsStation::make_over_clip() {
    auto* card = new QFrame(all_);
    card->setObjectName(QStringLiteral("card"));
    auto* column = new QVBoxLayout(card);
    column->setContentsMargins(10, 6, 10, 6);
    column->setSpacing(2);
    over_said_ = new QLabel(card);
    over_said_->setObjectName(QStringLiteral("overClip"));
    over_said_->setTextFormat(Qt::RichText);
    over_said_->setWordWrap(true);
    column->addWidget(over_said_);
    over_ = new FrameCurve(clock_, card);
    over_->setObjectName(QStringLiteral("throughCurve"));
    over_->setMinimumHeight(46);
    column->addWidget(over_, 1);
    return card;
}

void StrandsStation::use(Tool tool) {
    SceneView* view = twin_ == nullptr || !isVisible() ? nullptr : twin_->prepared_view();
    const bool shapes = tool == Tool::guides || tool == Tool::plant || tool == Tool::parting;
    if (view == nullptr || (shapes && !board_->is_made())) {
        tool = Tool::none;
    }
    tool_ = Tool::none;
    if (tool != Tool::none && !clock_.clip().isEmpty()) {
        clock_.choose(QString(), 1, clock_.rate()); // at rest
    }
    tool_ = tool;
    faces_->setChecked(tool == Tool::faces);
    density_->setChecked(tool == Tool::density);
    panel_->show_parting_tool(tool == Tool::parting);
    paint_bar_->setVisible(tool == Tool::density);
    if (const std::shared_ptr<const SessionState> state = session_.state(); state && tool == Tool::density) {
        paint_bar_->suit(state->prepared.height_m);
    }
    painter_->set_view(tool == Tool::density ? twin_.data() : nullptr);
    shape_->setChecked(tool == Tool::guides);
    plant_->setChecked(tool == Tool::plant);
    if (view != nullptr) {
        view->use_tool(make_tool(tool));
        view->update();
    }
}

std::unique_ptr<ViewTool> StrandsStation::make_tool(Tool tool) {
    if (tool == Tool::faces) {
        LassoTool::Hooks hooks;
        hooks.words =
            tr("Draw around faces, or click one of their corners · Ctrl adds · Shift drag slides · Escape ends");
        hooks.choose = [this](const ChosenVertices& chosen, bool adds) {
            const SceneView* view = twin_ == nullptr ? nullptr : twin_->prepared_view();
            if (view == nullptr || view->posed() == nullptr) {
                return;
            }
            const int64_t surface =
                chosen.node < 0 ? 0 : view->posed()->scene().nodes[static_cast<size_t>(chosen.node)].identity;
            std::set<uint32_t> all = chosen.vertices;
            if (adds && (surface == 0 || surface == surface_)) {
                all.insert(vertices_.begin(), vertices_.end());
            }
            choose(adds && surface == 0 ? surface_ : surface, std::move(all));
        };
        hooks.chosen = [this] {
            ChosenVertices chosen;
            const SceneView* view = twin_ == nullptr ? nullptr : twin_->prepared_view();
            if (view != nullptr && view->posed() != nullptr && surface_ != 0) {
                chosen.node = view->posed()->scene().find_identity(surface_);
                chosen.vertices = vertices_;
            }
            return chosen;
        };
        return std::make_unique<LassoTool>(std::move(hooks));
    }
    if (tool == Tool::density) {
        return painter_->tool();
    }
    if (tool == Tool::parting) {
        LineTool::Hooks hooks;
        hooks.words = tr("Draw a parting on the surface · a drag beside it turns · Escape ends");
        hooks.lines = [this] { return board_->partings(); };
        hooks.takes = [this](int node) { return node == board_->surface(); };
        hooks.done = [this](const std::vector<Vec3>& line) { board_->add_parting(line); };
        return std::make_unique<LineTool>(std::move(hooks));
    }
    if (tool == Tool::none) {
        return nullptr;
    }
    ReedTool::Hooks hooks;
    hooks.words =
        tool == Tool::plant
            ? tr("A click on the surface plants a guide · points can be pulled · Ctrl adds to the chosen · Escape ends")
            : tr("Pull points · box beyond the tip: length · ring beside the root: turn · Ctrl adds · Escape ends");
    hooks.guides = [this]() -> const std::vector<GuideLine>& { return board_->guides(); };
    hooks.chosen = [this]() -> const std::set<size_t>& { return board_->chosen(); };
    hooks.choose = [this](size_t guide, bool adds) { board_->choose(guide, adds); };
    hooks.choose_none = [this] { board_->choose_none(); };
    hooks.plants = [tool] { return tool == Tool::plant; };
    hooks.plant = [this](const SurfaceHit& hit) { board_->plant(hit.at); };
    hooks.pull = [this](size_t point, const Vec3& by, bool done) { board_->pull(point, by, done); };
    hooks.lengthen = [this](double factor, bool done) { board_->lengthen(factor, done); };
    hooks.turn = [this](double radians, bool done) {
        const Vec3 away = twin_->prepared_view()->looks_along();
        board_->turn(away, radians, done);
    };
    return std::make_unique<ReedTool>(std::move(hooks));
}

void StrandsStation::take_view(TwinView& twin) {
    twin_ = &twin;
    place_->layout()->addWidget(&twin);
    twin.set_alone(true);
    twin.show();
    if (SceneView* view = twin.prepared_view()) {
        view->disconnect(this);
        connect(view, &SceneView::toolEnded, this, [this] { use(Tool::none); });
    }
}

void StrandsStation::showEvent(QShowEvent* event) {
    StationPage::showEvent(event);
    board_->set_looked_at(true);
}

void StrandsStation::hideEvent(QHideEvent* event) {
    use(Tool::none);
    if (twin_ != nullptr && twin_->prepared_view() != nullptr) {
        twin_->prepared_view()->use_tool(nullptr);
    }
    board_->set_looked_at(false);
    StationPage::hideEvent(event);
}

void StrandsStation::go_to(const Finding& finding) {
    if (!finding.nodes.empty() &&
        std::find(board_->all().begin(), board_->all().end(), finding.nodes.front()) != board_->all().end()) {
        board_->choose_strands(finding.nodes.front());
    }
}

int StrandsStation::surface_node() const {
    const std::shared_ptr<const Scene> scene = board_->prepared();
    return scene && surface_ != 0 ? scene->find_identity(surface_) : -1;
}

void StrandsStation::choose(int64_t surface, std::set<uint32_t> vertices) {
    surface_ = vertices.empty() ? 0 : surface;
    vertices_ = std::move(vertices);
    const int at = surface_node();
    panel_->show_choice(at < 0 ? QString()
                               : QString::fromStdString(board_->prepared()->nodes[static_cast<size_t>(at)].name),
                        vertices_.size());
    if (twin_ != nullptr && twin_->prepared_view() != nullptr) {
        twin_->prepared_view()->update();
    }
}

void StrandsStation::ring(bool more) {
    if (const int at = surface_node(); at >= 0) {
        const std::shared_ptr<const Scene> scene = board_->prepared();
        const Neighbours neighbours =
            neighbours_of(scene->meshes[static_cast<size_t>(scene->nodes[static_cast<size_t>(at)].mesh)]);
        choose(surface_, more ? grown(neighbours, vertices_) : shrunk(neighbours, vertices_));
    }
}

void StrandsStation::flood() {
    if (const int at = surface_node(); at >= 0) {
        const std::shared_ptr<const Scene> scene = board_->prepared();
        const Neighbours neighbours =
            neighbours_of(scene->meshes[static_cast<size_t>(scene->nodes[static_cast<size_t>(at)].mesh)]);
        std::vector<char> reached(neighbours.spots(), 0);
        std::vector<uint32_t> open;
        for (const uint32_t v : vertices_) {
            open.push_back(neighbours.spot[v]);
            reached[neighbours.spot[v]] = 1;
        }
        while (!open.empty()) {
            const uint32_t spot = open.back();
            open.pop_back();
            for (const uint32_t next : neighbours.of(spot)) {
                if (reached[next] == 0) {
                    reached[next] = 1;
                    open.push_back(next);
                }
            }
        }
        std::set<uint32_t> all;
        for (uint32_t v = 0; v < neighbours.spot.size(); ++v) {
            if (reached[neighbours.spot[v]] != 0) {
                all.insert(all.end(), v);
            }
        }
        choose(surface_, std::move(all));
    }
}

void StrandsStation::refresh() {
    const std::shared_ptr<const Scene> scene = board_->prepared();
    const bool any = scene && (!surfaces_of(*scene).empty() || !strands_of(*scene).empty());
    empty_->setVisible(!any);
    all_->setVisible(any);
    // Another version of the surface may have fewer vertices, or be gone.
    if (const int at = surface_node(); surface_ != 0) {
        const int mesh = at < 0 ? -1 : scene->nodes[static_cast<size_t>(at)].mesh;
        if (mesh < 0 ||
            (!vertices_.empty() && *vertices_.rbegin() >= scene->meshes[static_cast<size_t>(mesh)].point_count())) {
            choose(0, {});
        }
    }
    painter_->refresh();
    shape_->setEnabled(board_->is_made());
    plant_->setEnabled(board_->is_made());
    say();
}

void StrandsStation::say() {
    const Theme& l = theme();
    const std::optional<StrandFacts>& facts = board_->facts();
    QString words;
    if (board_->name().empty()) {
        words = tr("No strands yet.");
    } else if (!facts) {
        words = board_->is_measuring() ? tr("Measuring…") : QString();
    } else {
        words = tr("<b>%1</b> strands, %2 points &nbsp; %3 &nbsp; %4 to %5 mm long &nbsp; %6 &nbsp; roots %7 mm off")
                    .arg(grouped(facts->strands), grouped(facts->points), counted(facts->guides, "guide"))
                    .arg(facts->shortest_m * 1000, 0, 'f', 0)
                    .arg(facts->longest_m * 1000, 0, 'f', 0)
                    .arg(facts->has_widths ? tr("%1 to %2 mm wide")
                                                 .arg(facts->narrowest_m * 1000, 0, 'f', 2)
                                                 .arg(facts->widest_m * 1000, 0, 'f', 2)
                                           : tr("no widths"))
                    .arg(facts->root_off_m * 1000, 0, 'f', 3);
        if (facts->through > 0) {
            words += tr("<br><span style=\"color:%1\">%2 through the body, deepest %3 mm</span>")
                         .arg(l.look.name(), counted(facts->through, "strand"))
                         .arg(facts->deepest_m * 1000, 0, 'f', 1);
            if (board_->is_made()) {
                words += tr(" &nbsp; <a href=\"lift\" style=\"color:%1\">Lift them</a> &nbsp; <a href=\"cut\" "
                            "style=\"color:%1\">Cut them</a>")
                             .arg(l.accent.name());
            }
        }
    }
    facts_->setText(words);
    const std::optional<StrandBoard::OverClip>& over = board_->over_clip();
    if (over) {
        const std::vector<float>& changes = over->motion.change_mm;
        const float change = changes.empty() ? 0 : *std::max_element(changes.begin(), changes.end());
        over_said_->setText(
            tr("<b>Through the body over %1</b>%6: %2 at frame %3, the worst &nbsp; lengths kept within %4 "
               "mm &nbsp; roots within %5 mm")
                .arg(QString::fromStdString(over->clip).toHtmlEscaped())
                .arg(over->motion.through)
                .arg(over->motion.through_frame)
                .arg(static_cast<double>(change), 0, 'f', 3)
                .arg(over->motion.root_drift_m * 1000, 0, 'f', 4)
                .arg(over->every > 1 ? tr(", looked at every %1 frames").arg(over->every) : QString()));
        over_->show_counts(over->motion.through_at, over->every, over->frames, QString());
    } else {
        over_said_->setText(
            clock_.clip().isEmpty()  ? tr("Choose a clip below the view: how strands keep their length and "
                                           "their place over it stands here.")
            : board_->is_measuring() ? tr("Measuring over %1…").arg(clock_.clip().toHtmlEscaped())
                                     : tr("Strands that follow nothing have nothing to be measured over."));
        over_->show_counts({}, 1, 0, QString());
    }
}

void StrandsStation::mend(const QString& link) {
    if (link == QLatin1String("cut")) {
        board_->set("grow_strands", tr("Cut strands at the surface"), {{"trimmed", true}});
    } else {
        const nlohmann::json lift = board_->setting("grow_strands", "lift_deg");
        board_->set("grow_strands", tr("Lift strands"),
                    {{"lift_deg", std::min(90.0, (lift.is_number() ? lift.get<double>() : 0) + 8)}});
    }
}

} // namespace wembrix::app
