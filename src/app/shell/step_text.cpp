#include "shell/step_text.h"

#include <QObject>
#include <QStringList>
#include <algorithm>
#include <cassert>
#include <cmath>
#include <fmt/format.h>
#include <iterator>
#include <optional>
#include <utility>

namespace wembrix::app {

namespace {

using nlohmann::json;

QString from(const json& value, const char* key) {
    const auto found = value.find(key);
    return found != value.end() && found->is_string() ? QString::fromStdString(found->get<std::string>()) : QString();
}

/// "^Left(.*)$ → $1_l", "case: lower", "sides: _l, _r, end"
QString rule_line(const json& rule) {
    if (rule.contains("case")) {
        const QString only = from(rule, "find");
        return QStringLiteral("case: ") + from(rule, "case") +
               (only.isEmpty() ? QString() : QStringLiteral(", ") + only);
    }
    if (rule.contains("left")) {
        return QStringLiteral("sides: %1, %2, %3")
            .arg(from(rule, "left"), from(rule, "right"),
                 rule.contains("at") ? from(rule, "at") : QStringLiteral("end"));
    }
    return from(rule, "find") + QStringLiteral(" → ") + from(rule, "replace");
}

QString clip_line(const json& clip) {
    QStringList cells = {from(clip, "name"), QString::number(clip.value("start", 0)),
                         QString::number(clip.value("end", 0)),
                         clip.value("loop", false) ? QStringLiteral("repeat") : QStringLiteral("once")};
    if (!clip.value("deliver", true)) {
        cells.back() += QStringLiteral(" stays"); // it goes into no file
    }
    if (!from(clip, "colour").isEmpty()) {
        cells << from(clip, "colour");
    }
    if (!from(clip, "note").isEmpty()) {
        if (cells.size() == 4) {
            cells << QString();
        }
        cells << from(clip, "note");
    }
    return cells.join(QStringLiteral(", "));
}

/// "wade_mirrored → wade_back, repeat stays, #2F8A72, a note"
QString described_line(const json& row) {
    QString name = from(row, "name");
    if (row.contains("as")) {
        name += QStringLiteral(" → ") + from(row, "as");
    }
    QStringList words;
    if (row.contains("loop")) {
        words << (row.value("loop", false) ? QStringLiteral("repeat") : QStringLiteral("once"));
    }
    if (row.contains("deliver")) {
        words << (row.value("deliver", true) ? QStringLiteral("goes") : QStringLiteral("stays"));
    }
    QStringList cells = {name, words.join(QLatin1Char(' ')), from(row, "colour"), from(row, "note")};
    while (cells.size() > 1 && cells.back().isEmpty()) {
        cells.removeLast();
    }
    return cells.join(QStringLiteral(", "));
}

/// The two sides of an arrow.
std::optional<std::pair<QString, QString>> read_arrow(const QString& line) {
    QStringList sides = line.split(QStringLiteral("→"));
    if (sides.size() == 1) {
        sides = line.split(QStringLiteral("->"));
    }
    if (sides.size() != 2 || sides[0].trimmed().isEmpty()) {
        return std::nullopt;
    }
    return std::pair(sides[0].trimmed(), sides[1].trimmed());
}

QString read_rule(const QString& line, json& rules) {
    if (line.startsWith(QStringLiteral("case:"))) {
        const QString words = line.mid(5).trimmed();
        const qsizetype comma = words.indexOf(QLatin1Char(','));
        json rule = {{"case", words.left(comma).trimmed().toStdString()}};
        if (comma >= 0) {
            rule["find"] = words.mid(comma + 1).trimmed().toStdString();
        }
        rules.push_back(rule);
        return {};
    }
    if (line.startsWith(QStringLiteral("sides:"))) {
        const QStringList words = line.mid(6).split(QLatin1Char(','));
        if (words.size() < 2) {
            return QObject::tr("“%1” is not of the form sides: left token, right token, end").arg(line);
        }
        json rule = {{"left", words[0].trimmed().toStdString()}, {"right", words[1].trimmed().toStdString()}};
        rule["at"] = words.size() > 2 ? words[2].trimmed().toStdString() : "end";
        rules.push_back(rule);
        return {};
    }
    const auto sides = read_arrow(line);
    if (!sides) {
        return QObject::tr("“%1” is not of the form find → replace").arg(line);
    }
    rules.push_back({{"find", sides->first.toStdString()}, {"replace", sides->second.toStdString()}});
    return {};
}

QString read_clip(const QString& line, json& clips) {
    const QStringList cells = line.split(QLatin1Char(','));
    bool first_ok = false;
    bool last_ok = false;
    const int first = cells.size() > 1 ? cells[1].trimmed().toInt(&first_ok) : 0;
    const int last = cells.size() > 2 ? cells[2].trimmed().toInt(&last_ok) : 0;
    if (!first_ok || !last_ok || cells[0].trimmed().isEmpty()) {
        return QObject::tr("“%1” is not of the form name, start, end, repeat, colour").arg(line);
    }
    const QStringList words =
        cells.size() > 3 ? cells[3].toLower().split(QLatin1Char(' '), Qt::SkipEmptyParts) : QStringList();
    json clip = {{"name", cells[0].trimmed().toStdString()},
                 {"start", first},
                 {"end", last},
                 {"loop", words.contains(QStringLiteral("repeat")) || words.contains(QStringLiteral("true")) ||
                              words.contains(QStringLiteral("yes"))}};
    if (words.contains(QStringLiteral("stays"))) {
        clip["deliver"] = false;
    }
    if (cells.size() > 4 && !cells[4].trimmed().isEmpty()) {
        clip["colour"] = cells[4].trimmed().toStdString();
    }
    if (cells.size() > 5) {
        // The note comes last: commas in it are its own.
        clip["note"] = cells.mid(5).join(QLatin1Char(',')).trimmed().toStdString();
    }
    clips.push_back(std::move(clip));
    return {};
}

QString read_described(const QString& line, json& rows) {
    const QStringList cells = line.split(QLatin1Char(','));
    json row = {{"name", cells[0].trimmed().toStdString()}};
    if (const auto sides = read_arrow(cells[0])) {
        row = {{"name", sides->first.toStdString()}, {"as", sides->second.toStdString()}};
    }
    const QStringList words =
        cells.size() > 1 ? cells[1].toLower().split(QLatin1Char(' '), Qt::SkipEmptyParts) : QStringList();
    for (const QString& word : words) {
        if (word == QStringLiteral("repeat") || word == QStringLiteral("once")) {
            row["loop"] = word == QStringLiteral("repeat");
        } else if (word == QStringLiteral("goes") || word == QStringLiteral("stays")) {
            row["deliver"] = word == QStringLiteral("goes");
        } else {
            return QObject::tr("“%1” is none of repeat, once, goes, stays").arg(word);
        }
    }
    if (cells.size() > 2 && !cells[2].trimmed().isEmpty()) {
        row["colour"] = cells[2].trimmed().toStdString();
    }
    if (cells.size() > 3) {
        row["note"] = cells.mid(3).join(QLatin1Char(',')).trimmed().toStdString();
    }
    rows.push_back(std::move(row));
    return {};
}

constexpr struct {
    const char* word;
    const char* key;
    const char* unit;
} adjustments[] = {{"move", "move", "mm"}, {"rotate", "turn", "deg"}, {"grow", "grow", "mm"}};

std::string adjustment_key(const char* key, int axis, const char* unit) {
    return fmt::format("{}_{}_{}", key, "xyz"[axis], unit);
}

QString hull_line(const json& row) {
    QString line = from(row, "hull");
    for (const auto& [word, key, unit] : adjustments) {
        std::array<double, 3> values = {};
        for (int k = 0; k < 3; ++k) {
            values[static_cast<size_t>(k)] = row.value(adjustment_key(key, k, unit), 0.0);
        }
        if (values != std::array<double, 3>{}) {
            line += QString::fromStdString(fmt::format(", {} {} {} {}", word, values[0], values[1], values[2]));
        }
    }
    return line;
}

QString read_hull(const QString& line, json& rows) {
    const QStringList cells = line.split(QLatin1Char(','));
    json row = {{"hull", cells[0].trimmed().toStdString()}};
    for (const QString& cell : cells.mid(1)) {
        const QStringList words = cell.split(QLatin1Char(' '), Qt::SkipEmptyParts);
        const auto* found = std::find_if(std::begin(adjustments), std::end(adjustments), [&](const auto& one) {
            return words.size() == 4 && words[0] == QLatin1String(one.word);
        });
        if (found == std::end(adjustments)) {
            return QObject::tr("“%1” is not of the form move x y z, rotate x y z or grow x y z").arg(cell.trimmed());
        }
        for (int k = 0; k < 3; ++k) {
            bool ok = false;
            const double value = words[k + 1].toDouble(&ok);
            if (!ok || !std::isfinite(value)) {
                return QObject::tr("“%1” is not a number").arg(words[k + 1]);
            }
            if (value != 0) {
                row[adjustment_key(found->key, k, found->unit)] = value;
            }
        }
    }
    rows.push_back(std::move(row));
    return {};
}

/// "spine, 1, 2, left, 0.1 0.2 0.3"
QString guide_line(const json& row) {
    const QString side = from(row, "side");
    return QStringLiteral("%1, %2, %3, %4, ")
               .arg(from(row, "chain"))
               .arg(row.value("copy", 1))
               .arg(row.value("point", 1))
               .arg(side.isEmpty() ? QStringLiteral("middle") : side) +
           QString::fromStdString(
               fmt::format("{} {} {}", row.value("x_m", 0.0), row.value("y_m", 0.0), row.value("z_m", 0.0)));
}

QString read_guide(const QString& line, json& rows) {
    const QStringList cells = line.split(QLatin1Char(','));
    const QStringList place = cells.size() == 5 ? cells[4].split(QLatin1Char(' '), Qt::SkipEmptyParts) : QStringList();
    bool copy_ok = false;
    bool point_ok = false;
    const int copy = cells.size() == 5 ? cells[1].trimmed().toInt(&copy_ok) : 0;
    const int point = cells.size() == 5 ? cells[2].trimmed().toInt(&point_ok) : 0;
    if (!copy_ok || !point_ok || place.size() != 3 || cells[0].trimmed().isEmpty()) {
        return QObject::tr("“%1” is not of the form chain, copy, point, side, x y z").arg(line);
    }
    json row = {{"chain", cells[0].trimmed().toStdString()}, {"point", point}};
    if (copy != 1) {
        row["copy"] = copy;
    }
    if (const QString side = cells[3].trimmed(); side != QStringLiteral("middle")) {
        row["side"] = side.toStdString();
    }
    for (int k = 0; k < 3; ++k) {
        bool ok = false;
        const double value = place[k].toDouble(&ok);
        if (!ok || !std::isfinite(value)) {
            return QObject::tr("“%1” is not a number").arg(place[k]);
        }
        row[fmt::format("{}_m", "xyz"[k])] = value;
    }
    rows.push_back(std::move(row));
    return {};
}

/// How the rows of a parameter are typed, one per line.
struct LineForm {
    std::string_view column; ///< a column that only these rows have
    QString (*line)(const json& row);
    QString (*read)(const QString& line, json& rows);
};
constexpr LineForm forms[] = {{"find", rule_line, read_rule},
                              {"as", described_line, read_described},
                              {"start", clip_line, read_clip},
                              {"grow_x_mm", hull_line, read_hull},
                              {"chain", guide_line, read_guide}};

/// Precondition: the parameter has rows.
const LineForm& form_of(const Parameter& parameter) {
    const auto* found = std::find_if(std::begin(forms), std::end(forms),
                                     [&](const LineForm& form) { return parameter.column(form.column) != nullptr; });
    assert(found != std::end(forms));
    return *found;
}

} // namespace

bool is_lines(Parameter::Kind kind) {
    return kind == Parameter::Kind::list || kind == Parameter::Kind::pairs || kind == Parameter::Kind::rows;
}

QString parameter_text(const json& parameters, const Parameter& field) {
    const auto found = parameters.find(std::string(field.key));
    if (found == parameters.end()) {
        return {};
    }
    if (found->is_string()) {
        return QString::fromStdString(found->get<std::string>());
    }
    if (found->is_boolean()) {
        return found->get<bool>() ? QStringLiteral("yes") : QString();
    }
    if (found->is_object()) {
        QStringList lines;
        for (const auto& [before, after] : found->items()) {
            lines << QString::fromStdString(before) + QStringLiteral(" → ") +
                         (after.is_string() ? QString::fromStdString(after.get<std::string>()) : QString());
        }
        return lines.join(QLatin1Char('\n'));
    }
    if (found->is_number()) {
        // As short as it can be and still the same number: what is only looked at must not change.
        return QString::fromStdString(fmt::format("{}", found->get<double>()));
    }
    QStringList lines;
    for (const json& row : *found) {
        if (row.is_string()) {
            lines << QString::fromStdString(row.get<std::string>());
        } else {
            lines << form_of(field).line(row);
        }
    }
    return lines.join(QLatin1Char('\n'));
}

QString set_parameter(json& parameters, const Parameter& field, const QString& text) {
    const std::string key(field.key);
    const QString typed = text.trimmed();
    if (field.kind == Parameter::Kind::flag) {
        parameters[key] = !typed.isEmpty(); // said either way: what silence means differs from step to step
        return {};
    }
    if (field.kind == Parameter::Kind::pairs) {
        json pairs = json::object();
        for (const QString& line : typed.split(QLatin1Char('\n'), Qt::SkipEmptyParts)) {
            const auto sides = read_arrow(line);
            if (!sides) {
                return QObject::tr("“%1” is not of the form old → new").arg(line);
            }
            pairs[sides->first.toStdString()] = sides->second.toStdString();
        }
        if (pairs.empty()) {
            parameters.erase(key);
        } else {
            parameters[key] = std::move(pairs);
        }
        return {};
    }
    if (typed.isEmpty() && !is_lines(field.kind)) {
        parameters.erase(key);
        return {};
    }
    if (field.kind == Parameter::Kind::number || field.kind == Parameter::Kind::whole) {
        bool ok = false;
        const double value = QString(typed).replace(QLatin1Char(','), QLatin1Char('.')).toDouble(&ok);
        if (!ok || !std::isfinite(value)) {
            return QObject::tr("“%1” is not a number").arg(typed);
        }
        parameters[key] = value;
        return {};
    }
    if (!is_lines(field.kind)) {
        parameters[key] = typed.toStdString();
        return {};
    }
    json rows = json::array();
    for (const QString& line : text.split(QLatin1Char('\n'))) {
        const QString row = line.trimmed();
        if (row.isEmpty()) {
            continue;
        }
        QString wrong;
        if (field.kind == Parameter::Kind::rows) {
            wrong = form_of(field).read(row, rows);
        } else {
            rows.push_back(row.toStdString());
        }
        if (!wrong.isEmpty()) {
            return wrong;
        }
    }
    if (rows.empty() && field.kind == Parameter::Kind::list) {
        parameters.erase(key);
    } else {
        parameters[key] = std::move(rows);
    }
    return {};
}

} // namespace wembrix::app
