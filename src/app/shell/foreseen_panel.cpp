#include "shell/foreseen_panel.h"
#include "style/language.h"

#include "style/theme.h"

namespace wembrix::app {

namespace {
constexpr int moment_ms = 250;

QString table_of(const std::vector<Foreseen>& before, const std::vector<Foreseen>& now) {
    QString rows;
    for (size_t i = 0; i < now.size(); ++i) {
        const QString value = localized(now[i].value).toHtmlEscaped();
        const bool is_new = i < before.size() && before[i].value != now[i].value;
        const QString was = is_new ? QObject::tr("<br><span style=\"color:%1\">was %2</span>")
                                         .arg(theme().soft.name(), localized(before[i].value).toHtmlEscaped())
                                   : QString();
        rows += QStringLiteral("<tr><td style=\"padding-right:8px;color:%1\">%2</td><td>%3%4</td></tr>")
                    .arg(theme().soft.name(), localized(now[i].what).toHtmlEscaped(),
                         is_new ? QStringLiteral("<b>%1</b>").arg(value) : value, was);
    }
    return QStringLiteral("<table cellspacing=\"2\">%1</table>").arg(rows);
}
} // namespace

ForeseenPanel::ForeseenPanel(std::shared_ptr<const Scene> prepared, QWidget* parent)
    : QLabel(parent), prepared_(std::move(prepared)) {
    setObjectName(QStringLiteral("foreseen"));
    setTextFormat(Qt::RichText);
    setWordWrap(true);
    setAlignment(Qt::AlignTop | Qt::AlignLeft);
    setTextInteractionFlags(Qt::TextSelectableByMouse);
    pool_.setMaxThreadCount(1);
    wait_.setSingleShot(true);
    connect(&wait_, &QTimer::timeout, this, &ForeseenPanel::work);
}

ForeseenPanel::~ForeseenPanel() {
    pool_.clear();
    pool_.waitForDone();
}

void ForeseenPanel::show_change(const Destination& before, const Destination& now) {
    before_ = before;
    now_ = now;
    wait_.start(moment_ms);
}

void ForeseenPanel::work() {
    if (!prepared_) {
        setText(tr("Open a job to see here what a change makes of it."));
        return;
    }
    const int number = ++asked_;
    pool_.clear();
    pool_.start([this, number, prepared = prepared_, before = before_, now = now_] {
        const std::vector<Foreseen> to = foreseen(*prepared, now);
        const std::vector<Foreseen> from = before == now ? to : foreseen(*prepared, before);
        QMetaObject::invokeMethod(
            this,
            [this, number, to, from] {
                done_ = std::max(done_, number);
                if (number == asked_) {
                    setText(table_of(from, to));
                }
            },
            Qt::QueuedConnection);
    });
}

} // namespace wembrix::app
