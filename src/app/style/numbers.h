// Numbers as people read them.
#pragma once

#include <QString>

namespace wembrix::app {

/// "18 868"
QString grouped(qulonglong number);

/// "1 joint", "3 joints", in the language of the window: `noun` is one of them in English.
QString counted(qulonglong number, const char* noun);

} // namespace wembrix::app
