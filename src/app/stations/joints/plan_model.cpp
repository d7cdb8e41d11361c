#include "stations/joints/plan_model.h"

#include <algorithm>

namespace wembrix::app {

void PlanModel::show_plan(const Plan& plan, const Guides& guides) {
    const std::vector<ChainLength> lengths =
        guides.all.empty() ? std::vector<ChainLength>() : chain_lengths(plan, guides);
    if (plan.chains.size() == plan_.chains.size()) { // an editor that is open stays
        plan_ = plan;
        lengths_ = lengths;
        if (!plan_.chains.empty()) {
            Q_EMIT dataChanged(index(0, 0), index(rowCount() - 1, columns - 1));
        }
        return;
    }
    beginResetModel();
    plan_ = plan;
    lengths_ = lengths;
    endResetModel();
}

std::string PlanModel::name(int row) const {
    return row < 0 || row >= rowCount() ? std::string() : plan_.chains[static_cast<size_t>(row)].name;
}

int PlanModel::row_of(const std::string& chain) const {
    return plan_.find(chain);
}

int PlanModel::rowCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : static_cast<int>(plan_.chains.size());
}

int PlanModel::columnCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : columns;
}

QVariant PlanModel::data(const QModelIndex& index, int role) const {
    const PlanChain& row = plan_.chains.at(static_cast<size_t>(index.row()));
    const QString own = QString::fromStdString(row.name);
    if (role == Qt::TextAlignmentRole) {
        const bool is_number = index.column() == joints || index.column() == twists || index.column() == length;
        return static_cast<int>((is_number ? Qt::AlignRight : Qt::AlignLeft) | Qt::AlignVCenter);
    }
    if (role == Qt::ToolTipRole) {
        const QString on =
            row.from.empty() ? tr("hangs on the root") : tr("hangs on %1").arg(QString::fromStdString(row.from));
        return index.column() == names
                   ? tr("%1 is the chain, %2 counts, %3 is the side token")
                         .arg(QStringLiteral("{chain}"), QStringLiteral("{number}"), QStringLiteral("{side}"))
                   : on;
    }
    if (role != Qt::DisplayRole && role != Qt::EditRole) {
        return {};
    }
    switch (index.column()) {
    case chain:
        return row.both_sides && row.copies > 1 ? tr("%1, both, %2 each").arg(own).arg(row.copies)
               : row.both_sides                 ? tr("%1, both").arg(own)
               : row.copies > 1                 ? tr("%1, %2 each").arg(own).arg(row.copies)
                                                : own;
    case joints:
        return row.joints();
    case twists:
        return row.twists;
    case names: {
        if (role == Qt::EditRole) {
            return QString::fromStdString(row.joint_name);
        }
        QStringList all;
        for (size_t i = 0; i < row.names.size() && static_cast<int>(i) < row.joints(); ++i) {
            all << QString::fromStdString(row.names[i]);
        }
        if (static_cast<int>(all.size()) < row.joints()) {
            all << QString::fromStdString(row.joint_name);
        }
        return all.join(QStringLiteral(", "));
    }
    default: {
        // Of both sides the longer one; of copies the first.
        const auto found = std::find_if(lengths_.begin(), lengths_.end(), [&](const ChainLength& one) {
            return one.chain == row.name || one.chain.rfind(row.name + ",", 0) == 0 ||
                   one.chain.rfind(row.name + " ", 0) == 0;
        });
        return found == lengths_.end() ? QStringLiteral("…") : tr("%1 mm").arg(found->length_m * 1000, 0, 'f', 0);
    }
    }
}

bool PlanModel::setData(const QModelIndex& index, const QVariant& value, int role) {
    if (role != Qt::EditRole) {
        return false;
    }
    const std::string name = plan_.chains.at(static_cast<size_t>(index.row())).name;
    const QString said = QString::fromStdString(name);
    Plan changed = plan_;
    PlanChain& row = changed.chains[static_cast<size_t>(index.row())];
    QString what;
    if (index.column() == joints) {
        changed = with_joints(plan_, name, value.toInt());
        what = value.toInt() < 1    ? tr("No chain %1").arg(said)
               : value.toInt() == 1 ? tr("1 joint in %1").arg(said)
                                    : tr("%1 joints in %2").arg(value.toInt()).arg(said);
    } else if (index.column() == twists) {
        row.twists = std::clamp(value.toInt(), 0, 8);
        what = tr("Twist joints of %1: %2").arg(said).arg(row.twists);
    } else if (index.column() == names && !value.toString().trimmed().isEmpty()) {
        row.joint_name = value.toString().trimmed().toStdString();
        row.names.clear(); // what is typed holds for all of them
        what = tr("Name the joints of %1").arg(said);
    }
    if (what.isEmpty() || changed == plan_) {
        return false;
    }
    Q_EMIT planAsked(changed, what);
    return true;
}

Qt::ItemFlags PlanModel::flags(const QModelIndex& index) const {
    Qt::ItemFlags flags = QAbstractTableModel::flags(index);
    const bool can_change = index.column() == joints || index.column() == twists || index.column() == names;
    return can_change ? flags | Qt::ItemIsEditable : flags;
}

QVariant PlanModel::headerData(int section, Qt::Orientation orientation, int role) const {
    if (role != Qt::DisplayRole || orientation != Qt::Horizontal) {
        return {};
    }
    const QString titles[] = {tr("Chain"), tr("Joints"), tr("Twists"), tr("Names"), tr("Length")};
    return titles[section];
}

} // namespace wembrix::app
