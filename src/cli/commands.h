// The commands of wembrix-cli. Each returns the exit code: 0 all well, 1 held or a claim failed, 2 bad input.
#pragma once

#include "core/base/result.h"
#include "core/delivery/delivery.h"
#include "core/job/job.h"
#include "core/job/replay.h"
#include "core/measure/comparison/claim.h"

#include <filesystem>
#include <string>
#include <vector>

namespace wembrix::cli {

constexpr int all_well = 0;
constexpr int held = 1;
constexpr int bad_input = 2;

/// {claim, expected, actual, pass, detail} and, where it does not pass, differences[].
nlohmann::json claim_json(const Claim& claim);

/// What a real engine makes of delivered files.
struct SecondReaderSaid {
    bool is_well = true; ///< nothing that it says is otherwise than in the files
    nlohmann::json as_json;
    std::vector<std::string> lines; ///< for a terminal
};
/// Of those of a report that arrived and that it reads. Where there is no such reader the line says how to get one.
SecondReaderSaid second_reader_on(const std::vector<Arrival>& arrivals, const std::filesystem::path& folder);

/// " of 1.9 MB plain" where a file is smaller than it would be; nothing where that was not asked.
std::string said_of_plain(uintmax_t bytes, uintmax_t plain);

/// One clear sentence on standard error.
int refuse(const Problem& problem);

struct InspectOptions {
    std::string file;
    bool json = false;
};
int inspect(const InspectOptions& options);

struct DeliverOptions {
    std::vector<std::string> inputs; ///< one job, or sources
    std::string card;
    std::string destination; ///< a name with a job, a file with a card
    std::string out;
    std::string takes;             ///< a folder: each take in it goes through the card, and clips alone are delivered
    std::string listed;            ///< a file: only these of them, one a line, told from the folder
    std::string models;            ///< a folder: each model in it goes through the job in the place of its first source
    bool all = false;              ///< what is up to date, too
    bool plan = false;             ///< only says how the files would be called
    std::vector<std::string> only; ///< deliverables, by id ("clip:wade") or by name; none: all
    bool second_reader = false;    ///< a real engine is asked what it makes of what arrived
    bool is_plain = false;         ///< no destination: everything as it is, in metres, Y up
    std::string container = "glb"; ///< of a plain one: a format's id
    bool json = false;
};
int deliver_files(const DeliverOptions& options);

struct FarmOptions {
    std::vector<std::string> jobs; ///< none: the run that the folder holds is taken on
    std::string takes;
    std::string out;
    std::string destination;
    std::string folder; ///< that all machines see: the plan, and what became of it
    std::string on = "here";
    int per_item = 50; ///< takes
    int workers = 0;   ///< at a time on this machine; 0: one a core
    int tries = 3;
    double look_every_s = 1;
    bool json = false;
};
int farm_run(const FarmOptions& options);
int farm_status(const std::string& folder, bool as_json);
/// With a batch, `item` is the number of its task.
int farm_item(const std::string& folder, int item, int batch);

/// What a real engine's importer makes of files, claim by claim.
int ask_second_reader(const std::vector<std::string>& files, double longest_s, bool as_json);

struct CompareOptions {
    std::string first;
    std::string second;
    bool all = false; ///< everything, claim by claim, and not drift alone
    double limit_mm = 0.01;
    bool json = false;
};
int compare(const CompareOptions& options);

struct PackageOptions {
    std::vector<std::string> jobs;
    std::string out;
    std::string destination; ///< empty: all
    std::string name;
    std::string license;
    std::string credits;
    bool zip = false;
    bool json = false;
};
int package(const PackageOptions& options);
/// The page of a delivery that lies in a folder.
int report(const std::string& folder, const std::string& job, const std::string& out);
/// Whether a package, a folder or an archive, is whole.
int verify_package(const std::string& path, bool as_json);

struct WhereOptions {
    std::string file;
    std::string jobs; ///< a job, or a folder whose jobs are looked through
    bool json = false;
};
int where(const WhereOptions& options);

struct NewOptions {
    std::string job; ///< the file to be written
    std::vector<std::string> sources;
    std::string like; ///< a job whose card and destinations it gets; empty: what a new one has
};
/// A job for sources; `held` where one of them cannot be read.
int new_job_file(const NewOptions& options);

struct VariantOptions {
    std::string job;
    std::string to; ///< another job's file, that becomes a new variant; empty: the names of this one
    std::string name;
    std::string family;
    std::optional<std::string> license;
    std::optional<std::string> credits;
};
int variant(const VariantOptions& options);

struct PictureOptions {
    std::string job;
    std::string deliverable; ///< id; empty: those that there are
    std::string file;        ///< empty: the one that is drawn again
};
/// A person's own picture in the place of a deliverable's thumbnail.
int picture(const PictureOptions& options);

struct BoardOptions {
    std::string job;
    std::string out;
    double wait_s = 0; ///< for the engine, where its records tell
    bool json = false;
};
int board(const BoardOptions& options);

struct TakesOptions {
    std::string file;              ///< a job or a source
    double still_below = -1;       ///< m/s; negative: chosen from the take itself
    double shortest_s = 0.5;       ///< of a still place
    std::vector<std::string> feet; ///< joints that stand, by name; none: found
    double foot_height_m = 0;  ///< a foot that stands is lower, above its lowest place; 0: by the character's height
    double foot_speed_m_s = 0; ///< and slower; 0: by the character's height
    bool json = false;
};
int takes(const TakesOptions& options);

struct CutsOptions {
    std::string job;
    std::string take;   ///< empty: the one take that is cut, or the only one there is
    std::string from;   ///< a list to read (.csv or .json)
    bool named = false; ///< cut at the ranges that the source itself names, instead of a list
    std::string to;     ///< a list to write
};
int cuts(const CutsOptions& options);

struct VerifyOptions {
    std::string file;
    std::string destination; ///< a file, or the name of one that comes with Wembrix
    std::string contract;    ///< a file; empty: the destination's own, if it has one
    bool json = false;
};
int verify(const VerifyOptions& options);

struct ContractOptions {
    std::string file;    ///< a job or a source
    std::string name;    ///< of the contract that is made; empty: the file's
    std::string against; ///< a contract to compare with, instead of making one
};
int contract(const ContractOptions& options);

struct PlanOptions {
    std::string name; ///< of one that comes with Wembrix, or a file; of the plan that is taken off a skeleton
    std::string of;   ///< a job or a source whose skeleton a plan is taken off
};
int plan(const PlanOptions& options);

struct BuildOptions {
    std::string file; ///< a job, which keeps the step, or a source
    std::string plan;
    std::string guides; ///< a file
    bool suggest = false;
    std::string to; ///< of a source: the card to write; empty: to the terminal
};
int build(const BuildOptions& options);

struct BindOptions {
    std::string file;
    std::string method = "heat";
    int influences = 4;
    std::vector<std::string> surfaces;
    bool ends = false;
    std::string to;
};
int bind(const BindOptions& options);

struct RetargetCommandOptions {
    std::vector<std::string> takes;
    std::string onto; ///< a job, which keeps takes and step, or a source
    std::string map;  ///< a file; empty: as names and bodies say
    std::string save_map;
    std::string feet = "planted";
    std::string hands = "free";
    std::string path = "legs";
    std::string to;
};
int retarget(const RetargetCommandOptions& options);

struct SourcesOptions {
    std::string job;
    bool relink = false;              ///< look for what is gone beside the job and its other sources
    std::vector<std::string> look_in; ///< and in these folders
    std::vector<std::string> replace; ///< none, or a source and the file that it becomes
    std::vector<std::string> add;     ///< files
    std::vector<std::string> remove;  ///< sources
    std::vector<std::string> as;      ///< NAME=ROLE
    std::vector<std::string> rest;    ///< NAME=first, part or ask
    bool dry_run = false;             ///< say what would change, write nothing
    bool json = false;
};
int sources(const SourcesOptions& options);

struct StepsOptions {
    bool markdown = false;
    bool json = false;
};
int list_steps(const StepsOptions& options);
int list_formats(const StepsOptions& options);

/// Sources and route card of a job, replayed; or a source alone, as it is.
struct WeightsOptions {
    std::string file;  ///< a job or a source
    std::string joint; ///< only what this one holds, vertex by vertex
    bool json = false;
};
int weights(const WeightsOptions& options);

struct SurfaceOptions {
    std::string file; ///< a job or a source
    bool json = false;
};
int shapes(const SurfaceOptions& options);
int materials(const SurfaceOptions& options);
/// How many, how long and wide, where they are rooted, what goes through the surface, and what clips do to them.
int strands(const SurfaceOptions& options);

/// A surface, or strands, over frames of a clip: made, read back and checked.
struct CacheOptions {
    std::string job;
    std::string clip;
    std::string of;          ///< a surface or strands; empty: the only surface
    std::string as = "usd";  ///< or "textures", "shapes"
    std::string destination; ///< by name; empty: the job's first
    std::string out;
    int first = 0, last = -1, every = 1;
    bool half = false;
    double limit_mm = 0; ///< of shapes; 0: the destination's
    bool json = false;
};
int cache(const CacheOptions& options);

/// One surface in a pose, as a file for a sculptor.
struct SculptOptions {
    std::string file; ///< a job or a source
    std::string out;
    std::string surface;
    std::string clip;
    int frame = 0;
};
int sculpt(const SculptOptions& options);

struct Opened {
    Job job;
    std::filesystem::path folder;
    LoadedSources sources;
    Replay replay;
};
Result<Opened> open_and_replay(const std::string& file);

} // namespace wembrix::cli
