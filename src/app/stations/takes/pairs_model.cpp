#include "stations/takes/pairs_model.h"

#include "core/steps/skeleton/skeleton_match.h"
#include "style/theme.h"

#include <algorithm>
#include <set>

namespace wembrix::app {

namespace {

QString bare(const std::string& name) {
    return QString::fromStdString(strip_namespace(name));
}

QString row_text(const std::vector<std::string>& names) {
    return names.empty()       ? QStringLiteral("—")
           : names.size() == 1 ? bare(names.front())
                               : QObject::tr("%1 … %2").arg(bare(names.front()), bare(names.back()));
}

} // namespace

void PairsModel::show_source(const RetargetedSource& source) {
    beginResetModel();
    source_ = source;
    rows_.clear();
    std::set<std::string> done;
    for (size_t t = 0; t < source.target_joints.size(); ++t) {
        const std::string& joint = source.target_joints[t];
        if (done.count(joint) > 0) {
            continue;
        }
        Row row;
        const MapPair* pair = source.map.of_target(joint);
        if (pair != nullptr) {
            row.source = pair->source;
            row.here = pair->target;
            done.insert(pair->target.begin(), pair->target.end());
            row.how = pair->role == MapPair::Role::foot     ? tr("foot")
                      : pair->role == MapPair::Role::hand   ? tr("hand")
                      : pair->role == MapPair::Role::prop   ? tr("prop")
                      : pair->role == MapPair::Role::root   ? tr("root")
                      : pair->role == MapPair::Role::pelvis ? tr("pelvis")
                      : pair->how == "name"                 ? tr("name")
                      : pair->how == "spread"               ? tr("spread")
                      : pair->how == "hand"                 ? tr("by hand")
                                                            : tr("body");
        } else {
            row.here = {joint};
            row.how = tr("rests");
        }
        for (const RetargetedSource::Direction& direction : source.directions) {
            if (direction.joint == row.here.front()) {
                row.apart_degrees = direction.bone.worst_degrees;
                row.worst_frame = direction.bone.worst_frame;
            }
        }
        rows_.push_back(std::move(row));
    }
    for (const std::string& joint : source.left_out) {
        rows_.push_back({{joint}, {}, tr("left out"), -1, 0});
    }
    endResetModel();
}

QStringList PairsModel::roles() {
    return {tr("a joint like others"), tr("root"), tr("pelvis"), tr("foot"), tr("hand"), tr("prop")};
}

QStringList PairsModel::answers(const QModelIndex& index) const {
    if (index.isValid() && index.column() == how) {
        return roles();
    }
    QStringList all = {QStringLiteral("—")};
    if (!index.isValid() || index.column() != source) {
        return all;
    }
    for (const std::string& joint : source_.source_joints) {
        all << QString::fromStdString(joint);
    }
    return all;
}

int PairsModel::rowCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : static_cast<int>(rows_.size());
}

int PairsModel::columnCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : columns;
}

QVariant PairsModel::data(const QModelIndex& index, int role) const {
    const Row& row = rows_.at(static_cast<size_t>(index.row()));
    if (role == Qt::TextAlignmentRole) {
        return static_cast<int>((index.column() == apart ? Qt::AlignRight : Qt::AlignLeft) | Qt::AlignVCenter);
    }
    if (role == Qt::ForegroundRole) {
        return row.source.empty() || row.here.empty() ? QVariant(theme().soft) : QVariant();
    }
    if (role == Qt::EditRole && index.column() == source) {
        return row.source.empty() ? QStringLiteral("—") : QString::fromStdString(row.source.front());
    }
    if (role == Qt::EditRole && index.column() == how) {
        const MapPair* pair = row.here.empty() ? nullptr : source_.map.of_target(row.here.front());
        return roles().at(pair == nullptr ? 0 : static_cast<int>(pair->role));
    }
    if (role == Qt::ToolTipRole) {
        QStringList names;
        for (const std::string& name : index.column() == source ? row.source : row.here) {
            names << QString::fromStdString(name);
        }
        return names.join(QStringLiteral(", "));
    }
    if (role != Qt::DisplayRole) {
        return {};
    }
    switch (index.column()) {
    case source:
        return row_text(row.source);
    case here:
        return row_text(row.here);
    case how:
        return row.how;
    default:
        return row.apart_degrees < 0 ? QString() : tr("%1°").arg(row.apart_degrees, 0, 'f', 1);
    }
}

bool PairsModel::setData(const QModelIndex& index, const QVariant& value, int role) {
    if (role != Qt::EditRole || (index.column() != source && index.column() != how)) {
        return false;
    }
    const Row& row = rows_.at(static_cast<size_t>(index.row()));
    if (index.column() == how) {
        const auto given = roles().indexOf(value.toString());
        JointMap map = source_.map;
        const auto pair = std::find_if(map.pairs.begin(), map.pairs.end(),
                                       [&](const MapPair& one) { return one.target == row.here; });
        if (given < 0 || pair == map.pairs.end() || pair->role == static_cast<MapPair::Role>(given)) {
            return false;
        }
        pair->role = static_cast<MapPair::Role>(given);
        Q_EMIT mapAsked(map, tr("%1 is %2").arg(bare(row.here.front()), value.toString()));
        return true;
    }
    const std::string joint = value.toString().toStdString();
    if (row.here.empty() || value == data(index, Qt::EditRole)) {
        return false;
    }
    JointMap map = source_.map;
    MapPair::Role kept = MapPair::Role::none;
    std::erase_if(map.pairs, [&](const MapPair& pair) {
        const bool own = pair.target == row.here;
        kept = own ? pair.role : kept;
        return own;
    });
    const QString said = bare(row.here.front());
    if (joint != "—") {
        map.pairs.push_back({{joint}, row.here, kept, "hand"});
    }
    Q_EMIT mapAsked(map, joint == "—" ? tr("%1 rests").arg(said) : tr("%1 does as %2").arg(said, bare(joint)));
    return true;
}

Qt::ItemFlags PairsModel::flags(const QModelIndex& index) const {
    const Qt::ItemFlags flags = QAbstractTableModel::flags(index);
    const Row& row = rows_.at(static_cast<size_t>(index.row()));
    const bool can = !row.here.empty() && (index.column() == source || (index.column() == how && !row.source.empty()));
    return can ? flags | Qt::ItemIsEditable : flags;
}

QVariant PairsModel::headerData(int section, Qt::Orientation orientation, int role) const {
    if (role != Qt::DisplayRole || orientation != Qt::Horizontal) {
        return {};
    }
    const QString titles[] = {tr("In the take"), tr("Here"), tr("Told by"), tr("Apart, worst")};
    return titles[section];
}

} // namespace wembrix::app
