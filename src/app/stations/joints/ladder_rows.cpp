#include "stations/joints/ladder_rows.h"

#include "core/steps/names.h"
#include "style/language.h"

#include <QObject>
#include <algorithm>
#include <climits>
#include <map>
#include <unordered_map>

namespace wembrix::app {

namespace {

std::vector<LadderRow> rows_of(const Scene& scene) {
    std::vector<char> in(scene.nodes.size(), 0);
    std::vector<char> above_joint(scene.nodes.size(), 0);
    for (size_t i = scene.nodes.size(); i-- > 0;) {
        const Node& node = scene.nodes[i];
        in[i] =
            node.kind == NodeKind::joint || (node.kind == NodeKind::parent_transform && above_joint[i] != 0) ? 1 : 0;
        if ((in[i] != 0 || above_joint[i] != 0) && node.parent >= 0) {
            above_joint[node.parent] = 1;
        }
    }
    std::vector<std::vector<int>> below(scene.nodes.size());
    std::vector<int> tops;
    for (size_t i = 0; i < scene.nodes.size(); ++i) {
        if (in[i] == 0) {
            continue;
        }
        int above = scene.nodes[i].parent;
        while (above >= 0 && in[above] == 0) {
            above = scene.nodes[above].parent;
        }
        (above < 0 ? tops : below[above]).push_back(static_cast<int>(i));
    }
    std::vector<LadderRow> rows;
    // A chain may be as deep as there are joints: no recursion.
    struct Waiting {
        int at;
        int depth;
        int indent;
    };
    std::vector<Waiting> stack;
    for (auto top = tops.rbegin(); top != tops.rend(); ++top) {
        stack.push_back({*top, 0, 0});
    }
    while (!stack.empty()) {
        const auto [at, depth, indent] = stack.back();
        stack.pop_back();
        const Node& node = scene.nodes[at];
        LadderRow row;
        row.node = at;
        row.identity = node.identity;
        row.depth = depth;
        row.indent = indent;
        const std::string_view prefix = prefix_of(node.name, ":");
        row.prefix = QString::fromUtf8(prefix.data(), static_cast<qsizetype>(prefix.size()));
        row.bare = QString::fromStdString(node.name.substr(prefix.size()));
        row.side = side_of(node.name);
        row.joint = node.kind == NodeKind::joint;
        row.has_below = !below[at].empty();
        rows.push_back(row);
        for (auto child = below[at].rbegin(); child != below[at].rend(); ++child) {
            constexpr int along = 3;
            constexpr int aside = 11;
            constexpr int most = 132; // deeper ones stay there, so that names can be read
            stack.push_back({*child, depth + 1, std::min(most, indent + (below[at].size() == 1 ? along : aside))});
        }
    }
    return rows;
}

/// The nearest node above, by identity, that is also in `other`.
int64_t kept_above(const Scene& scene, int node, const std::unordered_map<int64_t, int>& other) {
    for (int above = scene.nodes[node].parent; above >= 0; above = scene.nodes[above].parent) {
        const int64_t identity = scene.nodes[above].identity;
        if (identity != 0 && other.count(identity) != 0) {
            return identity;
        }
    }
    return 0;
}

} // namespace

Ladder make_ladder(const Scene& received, const std::vector<Holding>& held_before, const Scene& prepared,
                   const std::vector<Holding>& held) {
    Ladder ladder;
    ladder.received = rows_of(received);
    ladder.prepared = rows_of(prepared);
    std::unordered_map<int64_t, int> before;
    std::unordered_map<int64_t, int> after;
    for (size_t i = 0; i < received.nodes.size(); ++i) {
        if (received.nodes[i].identity != 0) {
            before.emplace(received.nodes[i].identity, static_cast<int>(i));
        }
    }
    for (size_t i = 0; i < prepared.nodes.size(); ++i) {
        if (prepared.nodes[i].identity != 0) {
            after.emplace(prepared.nodes[i].identity, static_cast<int>(i));
        }
    }
    for (LadderRow& row : ladder.received) {
        const auto kept = after.find(row.identity);
        if (kept == after.end()) {
            row.fate = Fate::dropped;
            row.points = held_before[row.node].points;
            row.weights_to = row.points > 0 ? kept_above(received, row.node, after) : 0;
            ladder.dropped += row.joint ? 1 : 0;
        } else {
            const std::string& name = prepared.nodes[kept->second].name;
            row.fate = name.substr(prefix_of(name, ":").size()) == row.bare.toStdString() ? Fate::same : Fate::renamed;
        }
    }
    std::map<QString, int> uses;
    for (LadderRow& row : ladder.prepared) {
        row.points = held[row.node].points;
        ++uses[row.bare.toLower()];
        const auto from = before.find(row.identity);
        if (from == before.end()) {
            row.fate = Fate::added;
            ++ladder.added;
            continue;
        }
        const std::string& name = received.nodes[from->second].name;
        row.fate = name.substr(prefix_of(name, ":").size()) == row.bare.toStdString() ? Fate::same : Fate::renamed;
        ladder.renamed += row.fate == Fate::renamed ? 1 : 0;
        const int64_t was_under = kept_above(received, from->second, after);
        const int64_t is_under = kept_above(prepared, row.node, before);
        ladder.moved += was_under != is_under ? 1 : 0;
    }
    for (LadderRow& row : ladder.prepared) {
        row.clash = uses[row.bare.toLower()] > 1;
    }
    return ladder;
}

void mark_contract(Ladder& ladder, const Scene& prepared, const Contract& contract) {
    using Kind = ContractDifference::Kind;
    std::map<std::string, QStringList> unlike;
    ladder.contract = QString::fromStdString(contract.name);
    ladder.contract_joints = static_cast<int>(contract.joints.size());
    ladder.contract_missing.clear();
    for (const ContractDifference& difference : compare_with_contract(prepared, contract)) {
        switch (difference.kind) {
        case Kind::missing:
            ladder.contract_missing << QString::fromStdString(difference.joint);
            break;
        case Kind::extra:
            unlike[difference.joint] << QObject::tr("not in it");
            break;
        case Kind::parent:
            unlike[difference.joint] << QObject::tr("parent");
            break;
        case Kind::order:
            unlike[difference.joint] << QObject::tr("order");
            break;
        case Kind::length:
            unlike[difference.joint] << QObject::tr("length");
            break;
        case Kind::turn:
            unlike[difference.joint] << QObject::tr("rotation");
            break;
        }
    }
    ladder.contract_same = 0;
    for (LadderRow& row : ladder.prepared) {
        if (row.joint) {
            const auto found = unlike.find(prepared.nodes[row.node].name);
            row.as_contract = found == unlike.end();
            row.contract = row.as_contract ? QObject::tr("same") : found->second.join(QStringLiteral(", "));
            ladder.contract_same += found == unlike.end() ? 1 : 0;
        }
    }
    ladder.proposals = 0;
    if (ladder.contract_missing.isEmpty()) {
        return;
    }
    std::map<int, ContractMatch> meant;
    for (ContractMatch& match : propose_matches(prepared, contract)) {
        meant.emplace(match.joint, match);
    }
    for (LadderRow& row : ladder.prepared) {
        const auto match = row.joint ? meant.find(row.node) : meant.end();
        row.proposal.clear();
        if (match != meant.end() && contract.find(prepared.nodes[row.node].name) < 0) {
            row.proposal = QString::fromStdString(match->second.to);
            row.why_proposed = localized(how_name(match->second.how));
            ++ladder.proposals;
        }
    }
}

std::set<int64_t> with_all_below(const std::vector<LadderRow>& rows, const std::set<int64_t>& identities) {
    std::set<int64_t> below;
    int inside = INT_MAX; // depth of the branch that is being walked through
    for (const LadderRow& row : rows) {
        if (row.depth <= inside) {
            inside = INT_MAX;
        }
        if (identities.count(row.identity) != 0) {
            inside = std::min(inside, row.depth);
        }
        if (inside != INT_MAX) {
            below.insert(row.identity);
        }
    }
    return below;
}

std::vector<LadderRow> shown_rows(const std::vector<LadderRow>& rows, const std::vector<LadderRow>& counterpart,
                                  const std::set<int64_t>& folded, const QString& filter) {
    std::vector<LadderRow> shown;
    const QString wanted = filter.trimmed();
    std::set<int64_t> fits;
    if (!wanted.isEmpty()) {
        for (const std::vector<LadderRow>* side : {&rows, &counterpart}) {
            for (const LadderRow& row : *side) {
                if (row.identity != 0 && (row.prefix + row.bare).contains(wanted, Qt::CaseInsensitive)) {
                    fits.insert(row.identity);
                }
            }
        }
    }
    int hidden_below = INT_MAX;
    for (const LadderRow& row : rows) {
        if (!wanted.isEmpty()) {
            if (fits.count(row.identity) != 0) {
                shown.push_back(row);
            }
            continue;
        }
        if (row.depth > hidden_below) {
            continue;
        }
        hidden_below = INT_MAX;
        shown.push_back(row);
        if (row.identity != 0 && row.has_below && folded.count(row.identity) != 0) {
            shown.back().folded = true;
            hidden_below = row.depth;
        }
    }
    return shown;
}

} // namespace wembrix::app
