#include "core/steps/surface/joined_shapes.h"

#include "core/base/text.h"
#include "core/measure/clips/sample.h"

#include <algorithm>
#include <fmt/format.h>
#include <set>

namespace wembrix {

namespace {

/// `added`, or null, behind the first `before` rows of `own`; rows that neither has are zero.
void join_rows(Attribute& own, const Attribute* added, size_t before, size_t after) {
    const int width = std::max(own.width, added == nullptr ? 0 : added->width);
    std::vector<float> values = widened(own.data.get(), own.width, width, 0.0F);
    values.resize(before * static_cast<size_t>(width), 0.0F);
    if (added != nullptr) {
        const std::vector<float> more = widened(added->data.get(), added->width, width, 0.0F);
        values.insert(values.end(), more.begin(), more.end());
    }
    values.resize(after * static_cast<size_t>(width), 0.0F);
    own.width = width;
    own.data = std::move(values);
}

void unite(MorphTarget& to, const MorphTarget& from) {
    const size_t before = to.points.size();
    const size_t after = before + from.points.size();
    const auto join = [&](Shared<Vec3f>& a, const Shared<Vec3f>& b) {
        if (!a.empty() || !b.empty()) {
            std::vector<Vec3f>& values = a.edit();
            values.resize(before, Vec3f::Zero());
            values.insert(values.end(), b.begin(), b.end());
            values.resize(after, Vec3f::Zero());
        }
    };
    join(to.normals, from.normals);
    join(to.tangents, from.tangents);
    join(to.positions, from.positions);
    for (const Attribute& attribute : from.attributes) {
        if (std::none_of(to.attributes.begin(), to.attributes.end(),
                         [&](const Attribute& own) { return own.name == attribute.name; })) {
            to.attributes.push_back({attribute.name, attribute.width, std::vector<float>()});
        }
    }
    for (Attribute& own : to.attributes) {
        const auto added = std::find_if(from.attributes.begin(), from.attributes.end(),
                                        [&](const Attribute& attribute) { return attribute.name == own.name; });
        join_rows(own, added == from.attributes.end() ? nullptr : &*added, before, after);
    }
    std::vector<uint32_t>& points = to.points.edit();
    points.insert(points.end(), from.points.begin(), from.points.end());
    to.has_normals = to.has_normals || from.has_normals;
    to.has_tangents = to.has_tangents || from.has_tangents;
}

} // namespace

bool JoinedShapes::same(const Column& a, const Column& b) {
    if (a.rest != b.rest || (a.channel == nullptr) != (b.channel == nullptr)) {
        return false;
    }
    if (a.channel == nullptr) {
        return true;
    }
    if (a.channel->interpolation != b.channel->interpolation || a.channel->times.get() != b.channel->times.get()) {
        return false;
    }
    const size_t rows = a.channel->values.size() / a.channel->width;
    for (size_t i = 0; i < rows; ++i) {
        if (a.channel->values[i * a.channel->width + a.at] != b.channel->values[i * b.channel->width + b.at]) {
            return false;
        }
    }
    return true;
}

std::vector<JoinedShapes::Column> JoinedShapes::columns_of(int node, int shape) const {
    std::vector<Column> columns;
    const float rest = from_.rest_shape_weights(node)[shape];
    for (const Clip& clip : from_.clips) {
        Column column{nullptr, shape, rest};
        for (const Channel& channel : clip.channels) {
            if (channel.node == node && channel.path == Path::weights && !channel.times.empty()) {
                column.channel = &channel;
            }
        }
        columns.push_back(column);
    }
    return columns;
}

void JoinedShapes::add(int node, const Mesh& mesh, uint32_t first, std::vector<Text>& told) {
    for (size_t s = 0; s < mesh.shapes.size(); ++s) {
        MorphTarget shape = mesh.shapes[s];
        for (uint32_t& point : shape.points.edit()) {
            point += first;
        }
        const std::vector<Column> columns = columns_of(node, static_cast<int>(s));
        const float rest = from_.rest_shape_weights(node)[s];
        const auto own = std::find_if(shapes_.begin(), shapes_.end(),
                                      [&](const MorphTarget& other) { return other.name == shape.name; });
        if (own != shapes_.end()) {
            const size_t at = own - shapes_.begin();
            if (rest == rest_[at] &&
                std::equal(columns.begin(), columns.end(), columns_[at].begin(), columns_[at].end(), same)) {
                unite(*own, shape);
                continue;
            }
            const std::string name = fmt::format("{}_{}", from_.nodes[node].name, shape.name);
            told.push_back(
                phrase("“{}” of {} moves by itself: it is called {}", shape.name, from_.nodes[node].name, name));
            shape.name = name;
        }
        shapes_.push_back(std::move(shape));
        columns_.push_back(columns);
        rest_.push_back(rest);
    }
}

std::optional<Channel> JoinedShapes::weights_in(size_t clip, int node) const {
    const Channel* first = nullptr;
    bool alike = true;
    for (const std::vector<Column>& columns : columns_) {
        const Channel* channel = columns[clip].channel;
        if (channel == nullptr) {
            continue;
        }
        alike = alike && (first == nullptr || (first->interpolation == channel->interpolation &&
                                               first->times.get() == channel->times.get()));
        first = first == nullptr ? channel : first;
    }
    if (first == nullptr) {
        return std::nullopt;
    }
    Channel joined = *first;
    joined.node = node;
    joined.width = static_cast<int>(columns_.size());
    if (alike) {
        joined.values = row_by_row(clip, *first);
    } else {
        sampled(clip, joined);
    }
    return joined;
}

std::vector<float> JoinedShapes::row_by_row(size_t clip, const Channel& like) const {
    std::vector<float> values;
    const bool cubic = like.interpolation == Interpolation::cubic;
    const size_t rows = like.values.size() / like.width;
    for (size_t row = 0; row < rows; ++row) {
        for (const std::vector<Column>& columns : columns_) {
            const Column& column = columns[clip];
            const bool tangent = cubic && row % 3 != 1;
            values.push_back(column.channel != nullptr ? column.channel->values[row * column.channel->width + column.at]
                             : tangent                 ? 0.0F
                                                       : column.rest);
        }
    }
    return values;
}

/// Keyed at other times: keyed anew at all of them, and at every frame.
void JoinedShapes::sampled(size_t clip, Channel& joined) const {
    std::set<float> moments;
    for (const std::vector<Column>& columns : columns_) {
        if (const Channel* channel = columns[clip].channel) {
            moments.insert(channel->times.begin(), channel->times.end());
        }
    }
    const double rate = from_.clips[clip].rate;
    const double last = *moments.rbegin();
    for (int f = 0; f / rate <= last; ++f) {
        moments.insert(static_cast<float>(f / rate));
    }
    std::vector<float> values;
    std::vector<double> at;
    for (const float time : moments) {
        for (const std::vector<Column>& columns : columns_) {
            const Column& column = columns[clip];
            if (column.channel != nullptr) {
                at.resize(column.channel->width);
                sample_channel(*column.channel, time, at.data());
            }
            values.push_back(column.channel == nullptr ? column.rest : static_cast<float>(at[column.at]));
        }
    }
    joined.interpolation = Interpolation::linear;
    joined.times = std::vector<float>(moments.begin(), moments.end());
    joined.values = std::move(values);
}

} // namespace wembrix
