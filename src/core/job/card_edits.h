// What working at a station means for the route card: which step takes up a new name, a rule, a dropped joint, a cut.
#pragma once

#include "core/job/cuts.h"
#include "core/job/job.h"
#include "core/job/replay.h"
#include "core/measure/skeleton/contract.h"
#include "core/steps/surface/hull_adjustment.h"
#include "core/steps/surface/weight_brush.h"

#include <cstdint>
#include <map>
#include <string>
#include <vector>

namespace wembrix {

/// Steps that work on clips: they stand at the end of the card, behind those that make the skeleton.
bool is_for_clips(const std::string& id);
/// Cuts a take where the card's steps for the skeleton are done and those for clips begin.
void cut_before_other_clip_steps(std::vector<Step>& steps, const std::string& take, const std::vector<Cut>& cuts);

/// Puts a step where it works: what cuts takes stays last, what mends the skeleton goes before it.
/// Its place on the card is given back.
size_t add_step_at_its_place(Job& job, const Step& step);

/// A take's keys could not be taken as they came: its unit or its rest is another one, or joints are missing.
bool needs_bringing(const LoadedSources& sources);
/// Puts the step on the card that brings such takes onto the skeleton as the card makes it, unless it is there.
void bring_where_needed(Job& job, const LoadedSources& sources);

/// Gives one joint of Prepared another name: in the card's last "rename joints" step if its name passes through the
/// later steps unchanged, else in a new one at the end.
void rename_one(Job& job, const Replay& replay, int64_t identity, const std::string& name);

/// Makes what is `now_m` tall `wanted_m` tall: in the card's last step that resizes, else in a new one.
void set_height(Job& job, double now_m, double wanted_m);

/// Adds a rule behind all others: to the last step before the cuts if that renames by rule, else in a new
/// one.
void add_rename_rule(Job& job, const nlohmann::json& rule);

/// Keeps a stroke of a brush on Prepared: with the last step before the cuts if that holds strokes on this very
/// surface, else with a new one.
void keep_stroke(Job& job, const WeightBrush& brush, const PaintedRows& stroke);

/// Moves, turns or resizes a hull of Prepared by hand: with the last step before the cuts if that adjusts hulls, else
/// with a new one. What was done to the hull there before still counts.
void adjust_hull(Job& job, const std::string& hull, const HullAdjustment& by);

/// Hangs joints, by their names in Prepared, under another one: with the last step before the cuts if that does so,
/// else with a new one.
void hang_under(Job& job, const std::vector<std::string>& names, const std::string& under);

/// Drops joints by their names in Prepared: with the last step before the cuts if that drops by name, else with a new
/// one.
void drop_by_name(Job& job, const std::vector<std::string>& names);

/// Says which joints of a contract joints of Prepared are, by name; an empty name: none of them. With the last step
/// before the cuts if that fits this contract, else with a new one. What a joint was said to be before no longer holds.
void match_joints(Job& job, const Contract& contract, const std::map<std::string, std::string>& matches);

/// The step that cuts `take`, by its place on the card; -1 when no step does.
int split_place(const Job& job, const std::string& take);
/// Cuts `take` so; adds the step at the end when there is none, and takes it off when nothing is left to cut. A clip
/// that only got another name keeps what later steps do with it.
void set_cuts(Job& job, const std::string& take, const std::vector<Cut>& cuts);

/// Says of a clip of Prepared that a step made what a cut says of itself (its frames aside): with the card's last step
/// if that describes clips, else with a new one.
void describe_clip(Job& job, const std::string& name, const Cut& said);

} // namespace wembrix
