#include "core/farm/coordinate.h"

#include "core/base/files.h"
#include "core/base/json_file.h"
#include "core/base/lease.h"
#include "core/base/process.h"
#include "core/base/text.h"

#include <algorithm>
#include <charconv>
#include <chrono>
#include <fmt/format.h>
#include <map>
#include <sstream>
#include <thread>

namespace wembrix {

namespace fs = std::filesystem;
using nlohmann::json;

namespace {

constexpr size_t most_of_a_batch = 1000; // an array of more is refused by a scheduler as it comes
constexpr const char* submitted_name = "submitted.json";

std::vector<int> waiting_in(const FarmStatus& status) {
    std::vector<int> items;
    for (size_t i = 0; i < status.items.size(); ++i) {
        if (status.items[i].state == ItemState::waiting) {
            items.push_back(static_cast<int>(i));
        }
    }
    return items;
}

std::vector<std::string> item_command(const Farm& farm, int item) {
    return {"farm", "item", fs::absolute(farm.folder).string(), std::to_string(item)};
}

/// A way of getting items run.
class Hands {
  public:
    virtual ~Hands() = default;
    /// Looks at what it gave out, and gives out what waits, as much as there is room for.
    virtual Outcome look(const FarmStatus& status) = 0;
    /// Whether what it gave out may still be begun or ended by itself.
    [[nodiscard]] virtual bool is_busy() const = 0;
};

class HandsHere : public Hands {
  public:
    HandsHere(const Farm& farm, const FarmRun& run) : farm_(farm), run_(run) {}
    Outcome look(const FarmStatus& status) override {
        for (auto one = at_work_.begin(); one != at_work_.end();) {
            const std::optional<int> code = how_it_ended(one->second.process, false);
            const ItemStatus& item = status.items[static_cast<size_t>(one->first)];
            if (code && item.state == ItemState::waiting && item.attempts == one->second.attempts &&
                ++not_begun_[one->first] >= farm_.tries) {
                return Problem{phrase("could not be begun: its command ended with {}.", *code),
                               farm_.items[static_cast<size_t>(one->first)].name,
                               "See " + (farm_.folder / "here.errors").string()};
            }
            one = code ? at_work_.erase(one) : std::next(one);
        }
        for (const int item : waiting_in(status)) {
            if (static_cast<int>(at_work_.size()) >= std::max(1, run_.workers)) {
                break;
            }
            if (at_work_.count(item) > 0) {
                continue;
            }
            const pid_t process = start_process(run_.program, item_command(farm_, item), farm_.working_folder,
                                                farm_.folder / "here.said", farm_.folder / "here.errors");
            if (process == 0) {
                return Problem{"cannot be started.", run_.program.string(), ""};
            }
            at_work_[item] = {process, status.items[static_cast<size_t>(item)].attempts};
        }
        return Done{};
    }
    [[nodiscard]] bool is_busy() const override { return !at_work_.empty(); }

  private:
    const Farm& farm_;
    const FarmRun& run_;
    struct AtWork {
        pid_t process = 0;
        int attempts = 0; ///< of the item when it was started
    };
    std::map<int, AtWork> at_work_;
    std::map<int, int> not_begun_; ///< how often
};

/// Through `sbatch`. What it gave out stands beside the plan: another coordinator waits for that before it gives out
/// anything again.
class HandsOfSlurm : public Hands {
  public:
    HandsOfSlurm(const Farm& farm, const FarmRun& run) : farm_(farm), run_(run) {
        const Result<json> before = read_json_file(farm.folder / submitted_name);
        if (before && before->is_object() && before->value("jobs", json()).is_array()) {
            for (const json& job : (*before)["jobs"]) {
                if (job.is_string() &&
                    std::all_of(job.get_ref<const std::string&>().begin(), job.get_ref<const std::string&>().end(),
                                [](unsigned char c) { return std::isdigit(c) != 0; })) {
                    jobs_.push_back(job.get<std::string>());
                }
            }
            const json batches = before->value("batches", json());
            batches_ = batches.is_number_integer() ? batches.get<int>() : 0;
        }
    }

    Outcome look(const FarmStatus& status) override {
        for (auto job = jobs_.begin(); job != jobs_.end();) {
            const Said queue = run_and_hear({"squeue", "-h", "-j", *job, "-o", "%i"});
            // A job that is long gone is no longer known: that is an error of squeue, and an answer.
            if (queue.code == 127 || queue.code == -1) {
                return Problem{"cannot be asked: is the scheduler installed?", "squeue", ""};
            }
            if (queue.code != 0 && !scheduler_answers()) {
                return Done{}; // it is away for a while: nothing is given out twice
            }
            job = queue.code != 0 || queue.out.find_first_not_of(" \n") == std::string::npos ? jobs_.erase(job)
                                                                                             : std::next(job);
        }
        if (!jobs_.empty()) {
            return Done{};
        }
        // The folder is looked at again: what ended between the two looks is not given out once more.
        const FarmStatus now = status.items.empty() ? status : status_of(farm_);
        const std::vector<int> waiting = waiting_in(now);
        int attempts = 0;
        for (const ItemStatus& item : now.items) {
            attempts += item.attempts;
        }
        in_vain_ = !waiting.empty() && attempts == attempts_before_ ? in_vain_ + 1 : 0;
        attempts_before_ = attempts;
        if (in_vain_ >= farm_.tries) {
            return Problem{"ran none of the items that it was given.", "sbatch",
                           "See that its nodes have this program and see the folder."};
        }
        for (size_t first = 0; first < waiting.size(); first += most_of_a_batch) {
            const size_t last = std::min(first + most_of_a_batch, waiting.size());
            if (Outcome given = give(std::vector<int>(waiting.begin() + static_cast<std::ptrdiff_t>(first),
                                                      waiting.begin() + static_cast<std::ptrdiff_t>(last)));
                !given) {
                return given;
            }
        }
        return Done{};
    }
    [[nodiscard]] bool is_busy() const override { return !jobs_.empty(); }

  private:
    static bool scheduler_answers() { return run_and_hear({"sinfo", "-h", "-o", "%D"}).code == 0; }

    Outcome give(const std::vector<int>& items) {
        const int batch = batches_++;
        std::error_code error;
        fs::create_directories(farm_.folder / "batches", error);
        std::string lines;
        for (const int item : items) {
            lines += std::to_string(item) + "\n";
        }
        if (Outcome written = write_file_whole(farm_.folder / "batches" / fmt::format("{}.list", batch), lines);
            !written) {
            return written;
        }
        const std::string command =
            fmt::format("exec {} farm task {} {} $SLURM_ARRAY_TASK_ID", quoted(run_.program.string()),
                        quoted(fs::absolute(farm_.folder).string()), batch);
        const Said said =
            run_and_hear({"sbatch", "--parsable", "--job-name=wembrix", "--output=/dev/null", "--error=/dev/null",
                          fmt::format("--array=0-{}", items.size() - 1), "--wrap", command});
        std::string job = said.out.substr(0, said.out.find_first_of(";\n"));
        if (said.code != 0 || job.empty()) {
            return Problem{said.code == 127 ? "is not installed." : "did not take the items.", "sbatch",
                           "See what it says by hand: sbatch --wrap true"};
        }
        jobs_.push_back(std::move(job));
        return write_file_whole(farm_.folder / submitted_name,
                                json{{"jobs", jobs_}, {"batches", batches_}}.dump(1) + "\n");
    }

    const Farm& farm_;
    const FarmRun& run_;
    std::vector<std::string> jobs_;
    int batches_ = 0;
    int attempts_before_ = -1; ///< of all items, when something was given out last
    int in_vain_ = 0;          ///< how often that changed nothing
};

/// Through a command of a person's own, once for each item.
class HandsOfACommand : public Hands {
  public:
    HandsOfACommand(const Farm& farm, const FarmRun& run) : farm_(farm), run_(run) {}
    Outcome look(const FarmStatus& status) override {
        const auto now = std::chrono::steady_clock::now();
        for (const int item : waiting_in(status)) {
            const auto given = given_.find(item);
            const int attempts = status.items[static_cast<size_t>(item)].attempts;
            if (given != given_.end() && given->second.attempts == attempts &&
                std::chrono::duration<double>(now - given->second.at).count() < run_.patience_s) {
                continue;
            }
            std::string own = quoted(run_.program.string());
            for (const std::string& word : item_command(farm_, item)) {
                own += " " + quoted(word);
            }
            std::string command = run_.on;
            const size_t place = command.find("{command}");
            command.replace(place, std::string("{command}").size(), own);
            const Said said = run_and_hear({"/bin/sh", "-c", command});
            if (said.code != 0) {
                return Problem{phrase("ended with {}.", said.code), command, "It has to take the item and end."};
            }
            given_[item] = {attempts, now};
        }
        return Done{};
    }
    [[nodiscard]] bool is_busy() const override { return true; }

  private:
    struct Given {
        int attempts = 0;
        std::chrono::steady_clock::time_point at;
    };
    const Farm& farm_;
    const FarmRun& run_;
    std::map<int, Given> given_;
};

} // namespace

Result<FarmStatus> run_farm(const Farm& farm, const FarmRun& run) {
    const fs::path lease_file = farm.folder / "coordinator.lease";
    std::error_code error;
    Lease lease;
    {
        const Result<FolderLock> lock = FolderLock::wait(farm.folder);
        if (!lock) {
            return lock.problem();
        }
        if (!Lease::is_over(lease_file)) {
            return Problem{"is seen to by another process already.", farm.folder.string(),
                           "See how far it is: wembrix-cli farm status"};
        }
        fs::remove(lease_file, error);
        lease = Lease::create(lease_file);
    }
    if (!lease.holds()) {
        return Problem{"cannot be written to.", farm.folder.string(), ""};
    }
    std::unique_ptr<Hands> hands;
    if (run.on == "here") {
        hands = std::make_unique<HandsHere>(farm, run);
    } else if (run.on == "slurm") {
        hands = std::make_unique<HandsOfSlurm>(farm, run);
    } else if (run.on.find("{command}") != std::string::npos) {
        hands = std::make_unique<HandsOfACommand>(farm, run);
    } else {
        return Problem{phrase("\"{}\" is neither here nor slurm, and has no {{command}} in it.", run.on), "--on", ""};
    }
    FarmStatus status = status_of(farm);
    while (!status.is_over() && !(run.stop && run.stop())) {
        if (Outcome looked = hands->look(status); !looked) {
            return looked.problem();
        }
        if (run.progress) {
            run.progress(status);
        }
        std::this_thread::sleep_for(std::chrono::duration<double>(run.look_every_s));
        status = status_of(farm);
    }
    if (run.progress) {
        run.progress(status);
    }
    fs::remove(lease_file, error);
    return status;
}

Result<int> item_of_task(const Farm& farm, int batch, int task) {
    const fs::path file = farm.folder / "batches" / fmt::format("{}.list", batch);
    const Result<std::string> lines = read_file(file);
    if (!lines) {
        return lines.problem();
    }
    std::istringstream stream(*lines);
    std::string line;
    for (int i = 0; i <= task && std::getline(stream, line); ++i) {
        int item = -1;
        if (i == task && std::from_chars(line.data(), line.data() + line.size(), item).ec == std::errc()) {
            return item;
        }
    }
    return Problem{phrase("has no task {}.", task), file.string(), ""};
}

} // namespace wembrix
