#include "session/delivery_runner.h"
#include "style/language.h"

#include "core/base/files.h"
#include "core/delivery/delivery_folder.h"
#include "core/job/card_findings.h"
#include "core/job/card_words.h"

#include <QElapsedTimer>
#include <QMetaObject>
#include <span>

namespace wembrix::app {

DeliveryRunner::DeliveryRunner(Document& document, Session& session, QObject* parent)
    : QObject(parent), document_(document), session_(session) {
    worker_.setMaxThreadCount(1);
}

DeliveryRunner::~DeliveryRunner() {
    stop_ = true;
    worker_.waitForDone();
}

std::filesystem::path DeliveryRunner::folder_of(const Destination& destination) const {
    return delivery_folder(document_.folder(), document_.job().deliveries, destination);
}

std::optional<DeliveryRequest> DeliveryRunner::request_for(const Destination& destination) const {
    const std::shared_ptr<const SessionState> state = session_.state();
    if (!state) {
        return std::nullopt;
    }
    DeliveryRequest request;
    request.destination = destination;
    request.job_name = document_.job().name;
    request.folder = folder_of(destination);
    request.made_from = state->sources->made_from(document_.job());
    request.left = state->left;
    request.card_problems = state->replay.problems();
    return request;
}

const Arrival* DeliveryRunner::last_arrival(const CellKey& cell) const {
    const auto found = arrivals_.find(cell);
    return found == arrivals_.end() ? nullptr : &found->second;
}

const Arrival* DeliveryRunner::arrival(const CellKey& cell, const std::string& content) const {
    const Arrival* last = last_arrival(cell);
    return last != nullptr && last->content == content ? last : nullptr;
}

void DeliveryRunner::stop() {
    stop_ = true;
}

void DeliveryRunner::deliver_cells(const std::vector<CellKey>& cells) {
    const std::shared_ptr<const SessionState> state = session_.state();
    if (running_ || !state || cells.empty()) {
        return;
    }
    std::vector<DeliveryRequest> requests;
    for (const Destination& destination : document_.job().destinations) {
        std::optional<DeliveryRequest> request = request_for(destination);
        for (const auto& [name, id] : cells) {
            if (name == destination.name) {
                request->only.push_back(id);
            }
        }
        if (!request->only.empty()) {
            requests.push_back(std::move(*request));
        }
    }
    if (const std::optional<Problem> shared = shared_folder(document_.job().destinations)) {
        problem_ = localized(shared->sentence());
        Q_EMIT progressed();
        Q_EMIT finished();
        return;
    }
    running_ = true;
    stop_ = false;
    done_ = 0;
    all_ = static_cast<int>(cells.size());
    doing_.clear();
    problem_.clear();
    Q_EMIT progressed();
    worker_.start([this, state, requests = std::move(requests)]() mutable {
        QElapsedTimer timer;
        timer.start();
        int before = 0;
        QString problem;
        Replay measured = state->replay; // the window may not be through with it yet
        measure_kept_motion(measured, [this] { return stop_.load(); });
        for (DeliveryRequest& request : requests) {
            request.card_words = card_words(measured);
            request.card_findings = card_findings(measured, std::span(&request.destination, 1));
            request.prepared = &state->replay.prepared();
            request.stop = [this] { return stop_.load(); };
            request.progress = [this, before, name = QString::fromStdString(request.destination.name)](
                                   int done, int, const std::string& what) {
                const QString doing =
                    what.empty() ? QString() : QString::fromStdString(what) + QStringLiteral(" → ") + name;
                QMetaObject::invokeMethod(
                    this,
                    [this, at = before + done, doing] {
                        done_ = at;
                        doing_ = doing;
                        Q_EMIT progressed();
                    },
                    Qt::QueuedConnection);
            };
            Result<DeliveryReport> report = deliver(request);
            before += static_cast<int>(request.only.size());
            if (!report) {
                problem = localized(report.problem().sentence());
                continue;
            }
            QMetaObject::invokeMethod(
                this,
                [this, arrivals = std::move(report->arrivals), name = request.destination.name] {
                    for (const Arrival& arrival : arrivals) {
                        arrivals_[{name, arrival.deliverable.id()}] = arrival;
                    }
                    Q_EMIT arrivalChanged();
                },
                Qt::QueuedConnection);
        }
        const double seconds = static_cast<double>(timer.elapsed()) / 1000;
        QMetaObject::invokeMethod(
            this,
            [this, problem, seconds] {
                running_ = false;
                problem_ = problem;
                last_seconds_ = seconds;
                Q_EMIT progressed();
                Q_EMIT finished();
            },
            Qt::QueuedConnection);
    });
}

void DeliveryRunner::look_again(const CellKey& cell, const std::string& content) {
    const std::shared_ptr<const SessionState> state = session_.state();
    if (!state || arrival(cell, content) != nullptr) {
        return;
    }
    for (const Destination& destination : document_.job().destinations) {
        if (destination.name != cell.first) {
            continue;
        }
        DeliveryRequest request = *request_for(destination);
        std::string& looked = looked_[cell];
        if (looked == content) {
            return;
        }
        looked = content;
        worker_.start([this, state, request, cell]() mutable {
            request.prepared = &state->replay.prepared();
            Result<std::vector<Deliverable>> plan =
                plan_deliverables(*request.prepared, request.destination, request.naming());
            if (!plan) {
                return;
            }
            for (const Deliverable& deliverable : *plan) {
                if (deliverable.id() != cell.second) {
                    continue;
                }
                Result<Arrival> arrival = check_again(request, deliverable);
                if (!arrival) {
                    continue;
                }
                QMetaObject::invokeMethod(
                    this,
                    [this, cell, arrived = arrival.take()] {
                        arrivals_[cell] = arrived;
                        Q_EMIT arrivalChanged();
                    },
                    Qt::QueuedConnection);
            }
        });
    }
}

} // namespace wembrix::app
