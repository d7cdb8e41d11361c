// Numbers as people read them.
#pragma once

#include <QString>

namespace wembrix::app {

/// "18 868"
QString grouped(qulonglong number);

/// "1 joint", "3 joints": `one` and `many` are what is counted, translated.
QString counted(qulonglong number, const QString& one, const QString& many);

} // namespace wembrix::app
