// What came in, as rows for the intake: sources, and below each its surfaces, takes, and the rest.
#pragma once

#include "core/job/job.h"
#include "session/session.h"

#include <QString>
#include <vector>

namespace wembrix::app {

struct ContentRow {
    bool is_source = false;
    int source = -1; ///< its place in the job, of a source
    QString problem; ///< why it could not be read
    QString name;
    QString holds; ///< "11 840 points, up to 7 influences"
    int node = -1; ///< of Received; -1 for sources and takes
    bool kept = true;
    bool can_leave = false;
};

/// Rows in the order they are shown: each source followed by its contents.
std::vector<ContentRow> content_rows(const Job& job, const SessionState& state);

} // namespace wembrix::app
