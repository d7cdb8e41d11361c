// A skeleton that is not the contract's, and joints that say a side and have nothing on the other.
#include "core/base/text.h"
#include "core/findings/finding.h"
#include "core/measure/skeleton/contract.h"
#include "core/measure/skeleton/pairs.h"
#include "core/steps/names.h"

namespace wembrix {

std::vector<Finding> find_unlike_contract(const FindingContext& context) {
    if (context.destination == nullptr || !context.destination->contract) {
        return {};
    }
    const Contract& contract = *context.destination->contract;
    const std::vector<ContractDifference> differences = compare_with_contract(context.scene, contract);
    if (differences.empty()) {
        return {};
    }
    using Kind = ContractDifference::Kind;
    Finding finding;
    finding.grade = Grade::stop;
    finding.where = contract.name;
    std::vector<std::string> sentences;
    bool can_mend = false;
    for (const ContractDifference& difference : differences) {
        sentences.push_back(difference.sentence);
        // What is longer or missing is no matter of names and parents.
        can_mend = can_mend || difference.kind == Kind::extra || difference.kind == Kind::parent ||
                   difference.kind == Kind::order || difference.kind == Kind::turn;
        if (difference.kind != Kind::missing) {
            finding.nodes.push_back(difference.joint);
        }
    }
    finding.message = phrase("The skeleton differs from the contract “{}” in {} thing{}", contract.name,
                             differences.size(), differences.size() == 1 ? "" : "s");
    finding.reason = some_of(sentences, 4) + ".";
    if (can_mend) {
        nlohmann::json matches = nlohmann::json::object();
        bool turns = false;
        for (const ContractMatch& match : propose_matches(context.scene, contract)) {
            matches[context.scene.nodes[match.joint].name] = match.to;
        }
        for (const ContractDifference& difference : differences) {
            turns = turns || difference.kind == Kind::turn;
        }
        finding.step = Step{"fit_contract",
                            {{"contract", contract_to_json(contract)},
                             {"matches", matches},
                             {"others", "remove"},
                             {"rotations", turns}}};
    } else {
        finding.no_step =
            "joints that are missing or of another length come from the source: insert them at the Joints "
            "station, or ask for another file";
    }
    return {finding};
}

std::vector<Finding> find_lone_sides(const FindingContext& context) {
    const Sides sides = find_sides(context.scene);
    if (sides.alone.empty() || sides.pairs.empty()) {
        return {};
    }
    Finding finding;
    finding.grade = Grade::note;
    for (const int joint : sides.alone) {
        finding.nodes.push_back(context.scene.nodes[joint].name);
    }
    finding.where = some_of(finding.nodes, finding.nodes.size());
    finding.message = phrase("{} joint{} {} a side and {} nothing on the other", finding.nodes.size(),
                             finding.nodes.size() == 1 ? "" : "s", finding.nodes.size() == 1 ? "says" : "say",
                             finding.nodes.size() == 1 ? "has" : "have");
    finding.reason = phrase("{}: mirrored motion has no joint to go to.", some_of(finding.nodes));
    finding.no_step = "whether the other one is missing or has another name is yours to say";
    return {finding};
}

} // namespace wembrix
