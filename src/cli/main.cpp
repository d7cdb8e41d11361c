#include "commands.h"
#include "help.h"

#include <CLI/CLI.hpp>
#include <cstdio>
#include <exception>
#include <fmt/format.h>

namespace wembrix::cli {

int refuse(const Problem& problem) {
    std::string sentence = problem.sentence();
    for (char& c : sentence) {
        c = c == '\n' ? ' ' : c;
    }
    fmt::print(stderr, "{}\n", sentence);
    return bad_input;
}

namespace {

int run(int count, char** arguments) {
    CLI::App app{"Wembrix: characters made ready for an engine, and checked on arrival."};
    app.require_subcommand(1);
    app.set_version_flag("--version", "Wembrix " WEMBRIX_VERSION);
    InspectOptions inspect_options;
    CLI::App* inspect_command =
        app.add_subcommand("inspect", "Say what a source file, or a job after its route card, holds");
    inspect_command->add_option("file", inspect_options.file, "A source or a job (.wembrix)")->required();
    inspect_command->add_flag("--json", inspect_options.json, "As JSON");
    DeliverOptions deliver_options;
    CLI::App* deliver_command = app.add_subcommand("deliver", "Write a job's files, read each back and check it");
    deliver_command->add_option("inputs", deliver_options.inputs, "A job, or with --card the sources")->required();
    deliver_command->add_option("--card", deliver_options.card, "Route card (.json), instead of a job");
    deliver_command->add_option("--destination", deliver_options.destination,
                                "With a job: a destination's name; with --card: its file");
    deliver_command->add_option("--out", deliver_options.out, "Folder to write to");
    deliver_command->add_option(
        "--takes", deliver_options.takes,
        "A folder: each take in it goes through the card onto the model, and its clips are written");
    deliver_command->add_option(
        "--models", deliver_options.models,
        "A folder: each model in it goes through the job's card in the place of its first source, into a folder each");
    deliver_command->add_option("--listed", deliver_options.listed,
                                "Only these of them: a file with one a line, told from the folder");
    deliver_command->add_flag("--all", deliver_options.all,
                              "Write what is up to date, too: without it only what is missing, stale or was held");
    deliver_command->add_option("--only", deliver_options.only,
                                "One deliverable: model, a clip's name, or clip:NAME; may be given several times");
    deliver_command->add_flag("--plan", deliver_options.plan, "Only say how the files would be called; write nothing");
    deliver_command->add_flag("--second-reader", deliver_options.second_reader,
                              "Then ask a real engine's importer what it makes of what arrived");
    deliver_command->add_flag("--json", deliver_options.json, "As JSON");
    DeliverOptions run_options;
    CLI::App* run_command = app.add_subcommand(
        "run", "Put sources through a route card into files that say what they are: no job is needed");
    run_command->add_option("card", run_options.card, "Route card (.json)")->required();
    run_command->add_option("sources", run_options.inputs, "Files: the model first")->required();
    run_command->add_option("--out", run_options.out, "Folder to write to")->required();
    run_command->add_option("--destination", run_options.destination,
                            "A destination's file; else everything goes out as it is, in metres, Y up");
    run_command->add_option("--as", run_options.container, "Without a destination: which kind of file (glb)");
    run_command->add_flag("--json", run_options.json, "As JSON");
    FarmOptions farm_options;
    CLI::App* farm_command =
        app.add_subcommand("farm", "Deliver over many takes or jobs on several machines that share a folder");
    farm_command->require_subcommand(1);
    CLI::App* farm_run_command =
        farm_command->add_subcommand("run", "See a run to its end; with --folder alone, take one on that was begun");
    farm_run_command->add_option("jobs", farm_options.jobs, "One job with --takes, or many jobs");
    farm_run_command->add_option("--folder", farm_options.folder, "The run's own folder, that every machine sees")
        ->required();
    farm_run_command->add_option("--takes", farm_options.takes, "A folder of takes, as with deliver");
    farm_run_command->add_option("--out", farm_options.out, "Folder of the deliveries, if it is not the job's own");
    farm_run_command->add_option("--destination", farm_options.destination, "Only for this one");
    farm_run_command->add_option("--per-item", farm_options.per_item, "Takes of one item (50)");
    farm_run_command->add_option("--on", farm_options.on,
                                 "here; slurm; or a command that takes {command} and runs it elsewhere");
    farm_run_command->add_option("--workers", farm_options.workers, "Items at a time on this machine; else one a core");
    farm_run_command->add_option("--tries", farm_options.tries, "Of an item before it counts as failed (3)");
    farm_run_command->add_option("--look-every", farm_options.look_every_s, "Seconds between two looks (1)")
        ->check(CLI::Range(0.05, 3600.0));
    farm_run_command->add_flag("--json", farm_options.json, "As JSON");
    std::string farm_folder;
    bool farm_json = false;
    int farm_number = 0;
    int farm_batch = -1;
    CLI::App* farm_status_command = farm_command->add_subcommand("status", "How far it is, from its folder alone");
    farm_status_command->add_option("folder", farm_folder, "The run's folder")->required();
    farm_status_command->add_flag("--json", farm_json, "As JSON");
    CLI::App* farm_item_command = farm_command->add_subcommand("item", "Run one item: what a scheduler is given");
    farm_item_command->add_option("folder", farm_folder, "The run's folder")->required();
    farm_item_command->add_option("item", farm_number, "Its number")->required();
    CLI::App* farm_task_command = farm_command->add_subcommand("task", "Run the item of a task of an array");
    farm_task_command->add_option("folder", farm_folder, "The run's folder")->required();
    farm_task_command->add_option("batch", farm_batch, "Which array")->required();
    farm_task_command->add_option("task", farm_number, "Its number in the array")->required();

    std::vector<std::string> second_files;
    double second_longest_s = 120;
    bool second_json = false;
    CLI::App* second_command =
        app.add_subcommand("second-reader", "Ask a real engine's importer what it makes of delivered files");
    second_command->add_option("files", second_files, "Files (.glb, .gltf, .dae)")->required();
    second_command->add_option("--longest", second_longest_s, "Seconds before it is ended (120)")
        ->check(CLI::Range(1.0, 86400.0));
    second_command->add_flag("--json", second_json, "As JSON");

    CompareOptions compare_options;
    CLI::App* compare_command =
        app.add_subcommand("compare", "Drift between two files over the clips of the same name, in mm");
    compare_command->add_option("first", compare_options.first, "Where things should be")->required();
    compare_command->add_option("second", compare_options.second, "Where they are")->required();
    compare_command->add_flag("--all", compare_options.all,
                              "Everything that both hold, claim by claim; ends with 1 when one does not pass");
    compare_command->add_option("--limit-mm", compare_options.limit_mm, "With --all: the most drift that passes");
    compare_command->add_flag("--json", compare_options.json, "As JSON");
    std::string report_folder;
    std::string report_job;
    std::string report_out;
    CLI::App* report_command = app.add_subcommand(
        "report", "Tell a delivery on one page (HTML): what went out, what changed, what stayed behind, with pictures");
    report_command->add_option("folder", report_folder, "The folder with the delivery's delivery.json")->required();
    report_command->add_option("--job", report_job, "Whose, where several jobs deliver into the folder");
    report_command->add_option("--out", report_out, "The file; else delivery_report.html");
    PackageOptions package_options;
    CLI::App* package_command = app.add_subcommand(
        "package", "Pack what jobs delivered, with a list of it: a folder tree or a .zip; never over another package");
    package_command->add_option("jobs", package_options.jobs, "Jobs (.wembrix)")->required();
    package_command->add_option("--out", package_options.out, "The folder that the package is made in")->required();
    package_command->add_option("--destination", package_options.destination, "Only what this destination was given");
    package_command->add_option("--name", package_options.name, "Its name; else the family's");
    package_command->add_option("--license", package_options.license, "Said in its list");
    package_command->add_option("--credits", package_options.credits, "Said in its list");
    package_command->add_flag("--zip", package_options.zip, "As an archive");
    package_command->add_flag("--json", package_options.json, "As JSON");

    WhereOptions where_options;
    CLI::App* where_command = app.add_subcommand(
        "where", "Say which file this is: of which job, family, variant and version, and if it is stale");
    where_command->add_option("file", where_options.file, "A file that was delivered")->required();
    where_command->add_option("--jobs", where_options.jobs, "A job, or a folder to look for its job in");
    where_command->add_flag("--json", where_options.json, "As JSON");

    NewOptions new_options;
    CLI::App* new_command =
        app.add_subcommand("new", "Make a job of files, with the card and destinations of another one if you like");
    new_command->add_option("job", new_options.job, "The job to be written (.wembrix)")->required();
    new_command->add_option("sources", new_options.sources, "Its files: the model first")->required();
    new_command->add_option("--like", new_options.like, "A job whose route card and destinations it gets");
    VariantOptions variant_options;
    CLI::App* variant_command =
        app.add_subcommand("variant", "Say of which family and variant a job is, name them, or make another variant");
    variant_command->add_option("job", variant_options.job, "A job (.wembrix)")->required();
    variant_command->add_option("to", variant_options.to, "A new job beside it: another variant of the same family");
    variant_command->add_option("--name", variant_options.name, "The variant's name");
    variant_command->add_option("--family", variant_options.family, "The family's name");
    variant_command->add_option("--license", variant_options.license, "Under which its files are given on");
    variant_command->add_option("--credits", variant_options.credits, "Who made what is in them");

    PictureOptions picture_options;
    CLI::App* picture_command =
        app.add_subcommand("picture", "Put a picture of one's own in the place of a deliverable's thumbnail");
    picture_command->add_option("job", picture_options.job, "A job (.wembrix)")->required();
    picture_command->add_option("deliverable", picture_options.deliverable,
                                "model, clip:NAME; else those that are set");
    picture_command->add_option("file", picture_options.file, "A PNG or JPEG; else the drawn one again");

    BoardOptions board_options;
    CLI::App* board_command = app.add_subcommand("board", "Say of every file of a job: never, stale, held or arrived");
    board_command->add_option("job", board_options.job, "A job (.wembrix)")->required();
    board_command->add_option("--out", board_options.out, "Folder of the deliveries, if it is not the job's own");
    board_command
        ->add_option("--wait", board_options.wait_s,
                     "Seconds to wait until the engine has taken what arrived, where it leaves records; 1 if it "
                     "has not by then")
        ->check(CLI::Range(0.0, 86400.0));
    board_command->add_flag("--json", board_options.json, "As JSON");
    TakesOptions takes_options;
    CLI::App* takes_command =
        app.add_subcommand("takes", "Motion energy, still places and seams of the clips of a file or job");
    takes_command->add_option("file", takes_options.file, "A source or a job (.wembrix)")->required();
    takes_command->add_option("--still-below", takes_options.still_below, "Still is slower than this, in m/s");
    takes_command->add_option("--shortest", takes_options.shortest_s, "Shortest still place, in seconds");
    takes_command->add_option("--feet", takes_options.feet, "Joints that stand, instead of those found: a,b")
        ->delimiter(',');
    takes_command->add_option("--foot-height", takes_options.foot_height_m,
                              "A foot that stands is lower than this above its lowest place, in m");
    takes_command->add_option("--foot-speed", takes_options.foot_speed_m_s, "And slower than this, in m/s");
    takes_command->add_flag("--json", takes_options.json, "As JSON");
    CutsOptions cuts_options;
    CLI::App* cuts_command =
        app.add_subcommand("cuts", "Write a job's list of cuts (CSV or JSON), or read one into the job");
    cuts_command->add_option("job", cuts_options.job, "A job (.wembrix)")->required();
    cuts_command->add_option("--take", cuts_options.take, "Which take, where there are several");
    cuts_command->add_option("--from", cuts_options.from, "A list to read into the job");
    cuts_command->add_flag("--named", cuts_options.named, "Cut at the ranges that the source itself names");
    cuts_command->add_option("--to", cuts_options.to, "A list to write; without it, CSV to the terminal");
    VerifyOptions verify_options;
    CLI::App* verify_command = app.add_subcommand(
        "verify", "Say whether the skeleton of any file is clean, claim by claim; or whether a package is whole");
    verify_command->add_option("file", verify_options.file, "A source; or a package, a folder or .zip")->required();
    verify_command->add_option("--destination", verify_options.destination, "A destination's file, or its name");
    verify_command->add_option("--contract", verify_options.contract, "A contract's file");
    verify_command->add_flag("--json", verify_options.json, "As JSON");
    ContractOptions contract_options;
    CLI::App* contract_command =
        app.add_subcommand("contract", "Write the skeleton of a file or job as a contract, or compare it with one");
    contract_command->add_option("file", contract_options.file, "A source or a job (.wembrix)")->required();
    contract_command->add_option("--name", contract_options.name, "What the contract is called");
    contract_command->add_option("--against", contract_options.against, "A contract's file to compare with");
    SourcesOptions sources_options;
    CLI::App* sources_command = app.add_subcommand(
        "sources", "List a job's sources and what each is taken as; find, replace, add and remove them");
    sources_command->add_option("job", sources_options.job, "A job (.wembrix)")->required();
    sources_command->add_flag("--relink", sources_options.relink,
                              "Look for missing files beside the job and its other sources, by name and content");
    sources_command->add_option("--look-in", sources_options.look_in, "And in this folder and those below it");
    sources_command->add_option("--replace", sources_options.replace, "A source, and the file that it becomes")
        ->expected(2);
    sources_command->add_option("--add", sources_options.add, "A file to add");
    sources_command->add_option("--remove", sources_options.remove, "A source to take out of the job");
    sources_command->add_option("--as", sources_options.as,
                                "What a source is: NAME=automatic, model, part, take, shapes, strands or prop");
    sources_command->add_option("--rest", sources_options.rest,
                                "Which rest pose holds for a part: NAME=first, part or ask");
    sources_command->add_flag("--dry-run", sources_options.dry_run, "Say what would change and write nothing");
    sources_command->add_flag("--json", sources_options.json, "As JSON");
    WeightsOptions weights_options;
    CLI::App* weights_command =
        app.add_subcommand("weights", "Influences, sums, strays and joints of the surfaces of a file or job");
    weights_command->add_option("file", weights_options.file, "A source or a job (.wembrix)")->required();
    weights_command->add_option("--joint", weights_options.joint, "Only what this joint holds, vertex by vertex");
    weights_command->add_flag("--json", weights_options.json, "As JSON");
    SurfaceOptions shapes_options;
    CLI::App* shapes_command = app.add_subcommand(
        "shapes", "The shapes of a file or job, in order, how far they move and where they are keyed");
    shapes_command->add_option("file", shapes_options.file, "A source or a job (.wembrix)")->required();
    shapes_command->add_flag("--json", shapes_options.json, "As JSON");
    SurfaceOptions materials_options;
    CLI::App* materials_command =
        app.add_subcommand("materials", "The material slots of a file or job, and what each material is");
    materials_command->add_option("file", materials_options.file, "A source or a job (.wembrix)")->required();
    materials_command->add_flag("--json", materials_options.json, "As JSON");
    SurfaceOptions strands_options;
    CLI::App* strands_command = app.add_subcommand(
        "strands", "The strands of a file or job: how many, how long and wide, their roots, and what clips do to them");
    strands_command->add_option("file", strands_options.file, "A source or a job (.wembrix)")->required();
    strands_command->add_flag("--json", strands_options.json, "As JSON");
    CacheOptions cache_options;
    CLI::App* cache_command = app.add_subcommand(
        "cache", "A surface or strands over the frames of a clip: as points in USD, textures or shapes");
    cache_command->add_option("job", cache_options.job, "A job (.wembrix)")->required();
    cache_command->add_option("--clip", cache_options.clip, "Over this clip")->required();
    cache_command->add_option("--of", cache_options.of, "A surface or strands; else the only surface");
    cache_command->add_option("--as", cache_options.as, "usd, textures or shapes")
        ->check(CLI::IsMember({"usd", "textures", "shapes"}));
    cache_command->add_option("--destination", cache_options.destination, "For this one; else the job's first");
    cache_command->add_option("--out", cache_options.out, "The folder for its files")->required();
    cache_command->add_option("--first", cache_options.first, "First frame of the clip")->check(CLI::NonNegativeNumber);
    cache_command->add_option("--last", cache_options.last, "Last one; else to the end");
    cache_command->add_option("--every", cache_options.every, "Each so manieth frame")->check(CLI::PositiveNumber);
    cache_command->add_flag("--half", cache_options.half, "Textures of 16 bit floats");
    cache_command
        ->add_option("--limit-mm", cache_options.limit_mm,
                     "How far a frame of shapes may be off; else the destination's limit")
        ->check(CLI::NonNegativeNumber);
    cache_command->add_flag("--json", cache_options.json, "As JSON");
    SculptOptions sculpt_options;
    CLI::App* sculpt_command = app.add_subcommand(
        "sculpt", "Write one surface as it stands in a pose, for a sculptor (.obj): its vertices keep their order");
    sculpt_command->add_option("file", sculpt_options.file, "A source or a job (.wembrix)")->required();
    sculpt_command->add_option("out", sculpt_options.out, "The .obj to write")->required();
    sculpt_command->add_option("--surface", sculpt_options.surface, "Which; else the only one that bends");
    sculpt_command->add_option("--clip", sculpt_options.clip, "The clip of the pose; else at rest");
    sculpt_command->add_option("--frame", sculpt_options.frame, "Which frame of the clip; they count from 0");
    PlanOptions plan_options;
    CLI::App* plan_command =
        app.add_subcommand("plan", "List the plans of skeletons, write one, or take one off a skeleton");
    plan_command->add_option("name", plan_options.name,
                             "One that comes with Wembrix, or a file; with --of its new name");
    plan_command->add_option("--of", plan_options.of, "A source or a job (.wembrix) with a skeleton");
    BuildOptions build_options;
    CLI::App* build_command = app.add_subcommand(
        "build",
        "Build a skeleton into the surfaces of a source or job, as a step: a job keeps it, else a card is written");
    build_command->add_option("file", build_options.file, "A source or a job (.wembrix)")->required();
    build_command->add_option("--plan", build_options.plan, "A plan's file, or the name of one that comes with Wembrix")
        ->required();
    build_command->add_option("--guides", build_options.guides, "Where guide points stand (.json)");
    build_command->add_flag("--suggest", build_options.suggest,
                            "Place the guides as the surface suggests, to be corrected");
    build_command->add_option("--to", build_options.to, "Of a source: the card to write");
    BindOptions bind_options;
    CLI::App* bind_command =
        app.add_subcommand("bind", "Give the surfaces of a source or job their first weights, as a step");
    bind_command->add_option("file", bind_options.file, "A source or a job (.wembrix)")->required();
    bind_command->add_option("--method", bind_options.method, "nearest, heat or volume");
    bind_command->add_option("--influences", bind_options.influences, "At most so many per vertex");
    bind_command->add_option("--surface", bind_options.surfaces, "Which; else those without weights");
    bind_command->add_flag("--ends", bind_options.ends, "Joints with none below them get some, too");
    bind_command->add_option("--to", bind_options.to, "Of a source: the card to write");
    RetargetCommandOptions retarget_options;
    CLI::App* retarget_command =
        app.add_subcommand("retarget", "Put takes of other bodies onto a job's or source's skeleton, as a step");
    retarget_command->add_option("takes", retarget_options.takes, "Files with takes")->required();
    retarget_command->add_option("--onto", retarget_options.onto, "A source or a job (.wembrix)")->required();
    retarget_command->add_option("--map", retarget_options.map, "Which joints are which (.json)");
    retarget_command->add_option("--save-map", retarget_options.save_map,
                                 "Write the map that was used, for the next takes");
    retarget_command->add_option("--feet", retarget_options.feet, "planted or free");
    retarget_command->add_option("--hands", retarget_options.hands,
                                 "free or kept: in the world, at each other, at a prop");
    retarget_command->add_option("--path", retarget_options.path, "legs (by their length) or same");
    retarget_command->add_option("--to", retarget_options.to, "Of a source: the card to write");
    StepsOptions steps_options;
    CLI::App* steps_command = app.add_subcommand("steps", "List the steps that a route card can hold");
    steps_command->add_flag("--markdown", steps_options.markdown, "As the table of the documentation");
    steps_command->add_flag("--json", steps_options.json, "As JSON, with all parameters");
    StepsOptions formats_options;
    CLI::App* formats_command = app.add_subcommand("formats", "List the kinds of files that are read and written");
    formats_command->add_flag("--markdown", formats_options.markdown, "As the table of the guide");
    formats_command->add_flag("--json", formats_options.json, "As JSON");
    CLI::App* completion_command =
        app.add_subcommand("completion", "Write the completion of commands and options for bash");
    CLI::App* manual_command = app.add_subcommand("manual", "Write this help as a page for man");
    try {
        app.parse(count, arguments);
    } catch (const CLI::CallForHelp&) {
        const CLI::App* command = &app;
        std::string name;
        while (!command->get_subcommands().empty()) {
            command = command->get_subcommands().front();
            name += (name.empty() ? "" : " ") + command->get_name();
        }
        fmt::print("{}", name.empty() ? general_help(app) : command_help(*command, name));
        return all_well;
    } catch (const CLI::CallForVersion&) {
        fmt::print("{}\n", app.version());
        return all_well;
    } catch (const CLI::ParseError& error) {
        return refuse({std::string(error.what()) + (std::string(error.what()).ends_with('.') ? "" : "."), "usage",
                       "Try --help."});
    }
    if (completion_command->parsed()) {
        fmt::print("{}", bash_completion(app));
        return all_well;
    }
    if (manual_command->parsed()) {
        fmt::print("{}", manual_page(app));
        return without_help(app).empty() ? all_well : held;
    }
    if (run_command->parsed()) {
        run_options.is_plain = run_options.destination.empty();
        run_options.all = true;
        return deliver_files(run_options);
    }
    if (inspect_command->parsed()) {
        return inspect(inspect_options);
    }
    if (sources_command->parsed()) {
        return sources(sources_options);
    }
    if (weights_command->parsed()) {
        return weights(weights_options);
    }
    if (shapes_command->parsed()) {
        return shapes(shapes_options);
    }
    if (strands_command->parsed()) {
        return strands(strands_options);
    }
    if (cache_command->parsed()) {
        return cache(cache_options);
    }
    if (materials_command->parsed()) {
        return materials(materials_options);
    }
    if (sculpt_command->parsed()) {
        return sculpt(sculpt_options);
    }
    if (plan_command->parsed()) {
        return plan(plan_options);
    }
    if (build_command->parsed()) {
        return build(build_options);
    }
    if (bind_command->parsed()) {
        return bind(bind_options);
    }
    if (retarget_command->parsed()) {
        return retarget(retarget_options);
    }
    if (steps_command->parsed()) {
        return list_steps(steps_options);
    }
    if (formats_command->parsed()) {
        return list_formats(formats_options);
    }
    if (report_command->parsed()) {
        return report(report_folder, report_job, report_out);
    }
    if (second_command->parsed()) {
        return ask_second_reader(second_files, second_longest_s, second_json);
    }
    if (farm_run_command->parsed()) {
        return farm_run(farm_options);
    }
    if (farm_status_command->parsed()) {
        return farm_status(farm_folder, farm_json);
    }
    if (farm_item_command->parsed() || farm_task_command->parsed()) {
        return farm_item(farm_folder, farm_number, farm_task_command->parsed() ? farm_batch : -1);
    }
    if (package_command->parsed()) {
        return package(package_options);
    }
    if (where_command->parsed()) {
        return where(where_options);
    }
    if (picture_command->parsed()) {
        return picture(picture_options);
    }
    if (new_command->parsed()) {
        return new_job_file(new_options);
    }
    if (variant_command->parsed()) {
        return variant(variant_options);
    }
    if (board_command->parsed()) {
        return board(board_options);
    }
    if (takes_command->parsed()) {
        return takes(takes_options);
    }
    if (verify_command->parsed()) {
        return verify(verify_options);
    }
    if (contract_command->parsed()) {
        return contract(contract_options);
    }
    if (cuts_command->parsed()) {
        return cuts(cuts_options);
    }
    return deliver_command->parsed() ? deliver_files(deliver_options) : compare(compare_options);
}

} // namespace

} // namespace wembrix::cli

int main(int count, char** arguments) {
    try {
        return wembrix::cli::run(count, arguments);
    } catch (const std::exception& error) {
        fmt::print(stderr, "Wembrix had to stop: {}.\n", error.what());
        return wembrix::cli::bad_input;
    }
}
