// Where things are meant to have gone: the whole scene as one piece, and some of it on its own.
#pragma once

#include "core/math/transform.h"

#include <cstdint>
#include <map>
#include <set>

namespace wembrix {

struct Moved {
    Mat4 all = Mat4::Identity();
    std::map<int64_t, Mat4> each; ///< by Node::identity, instead of `all`: of a surface or a joint
    std::set<int64_t> let_go;     ///< joints whose own place is another one on purpose, from moment to moment

    Moved() = default;
    template <typename Expression> Moved(const Eigen::MatrixBase<Expression>& matrix) : all(matrix) {}
    [[nodiscard]] const Mat4& of(int64_t identity) const {
        const auto found = each.find(identity);
        return found == each.end() ? all : found->second;
    }
};

} // namespace wembrix
