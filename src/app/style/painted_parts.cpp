#include "style/painted_parts.h"

#include <QAccessibleWidget>
#include <QPointer>
#include <QWidget>
#include <map>

namespace wembrix::app {

namespace {

/// Lies below its widget and goes with it.
class Teller : public QObject {
  public:
    Teller(QWidget& widget, PaintedParts told) : QObject(&widget), parts(std::move(told)) {}
    PaintedParts parts;
};

const PaintedParts* parts_of(const QWidget* widget) {
    for (const QObject* child : widget == nullptr ? QObjectList() : widget->children()) {
        if (const auto* teller = dynamic_cast<const Teller*>(child)) {
            return &teller->parts;
        }
    }
    return nullptr;
}

class PartInterface : public QAccessibleInterface, public QAccessibleActionInterface {
  public:
    PartInterface(QWidget* widget, int place) : widget_(widget), place_(place) {}

    [[nodiscard]] bool isValid() const override {
        const PaintedParts* parts = parts_of(widget_);
        return parts != nullptr && place_ < parts->count();
    }
    [[nodiscard]] QObject* object() const override { return nullptr; }
    [[nodiscard]] QWindow* window() const override { return widget_ ? widget_->window()->windowHandle() : nullptr; }
    [[nodiscard]] QAccessibleInterface* parent() const override {
        return QAccessible::queryAccessibleInterface(widget_);
    }
    [[nodiscard]] QAccessibleInterface* child(int) const override { return nullptr; }
    [[nodiscard]] QAccessibleInterface* childAt(int, int) const override { return nullptr; }
    [[nodiscard]] int childCount() const override { return 0; }
    [[nodiscard]] int indexOfChild(const QAccessibleInterface*) const override { return -1; }
    [[nodiscard]] QString text(QAccessible::Text kind) const override {
        return kind == QAccessible::Name && isValid() ? part().name : QString();
    }
    void setText(QAccessible::Text, const QString&) override {}
    [[nodiscard]] QRect rect() const override {
        if (!isValid() || part().place.isEmpty()) {
            return {};
        }
        const QRect place = part().place;
        return {widget_->mapToGlobal(place.topLeft()), place.size()};
    }
    [[nodiscard]] QAccessible::Role role() const override {
        return isValid() ? parts_of(widget_)->part_role : QAccessible::NoRole;
    }
    [[nodiscard]] QAccessible::State state() const override {
        QAccessible::State state;
        if (!isValid()) {
            state.invalid = true;
            return state;
        }
        state.selectable = parts_of(widget_)->press != nullptr;
        state.selected = part().is_chosen;
        state.invisible = !widget_->isVisible();
        state.offscreen = !part().place.intersects(widget_->rect());
        return state;
    }
    void* interface_cast(QAccessible::InterfaceType kind) override {
        return kind == QAccessible::ActionInterface ? static_cast<QAccessibleActionInterface*>(this) : nullptr;
    }
    [[nodiscard]] QStringList actionNames() const override {
        return isValid() && parts_of(widget_)->press ? QStringList{pressAction()} : QStringList();
    }
    void doAction(const QString& action) override {
        if (action == pressAction() && isValid() && parts_of(widget_)->press) {
            parts_of(widget_)->press(place_);
        }
    }
    [[nodiscard]] QStringList keyBindingsForAction(const QString&) const override { return {}; }

  private:
    [[nodiscard]] PaintedPart part() const { return parts_of(widget_)->part(place_); }
    QPointer<QWidget> widget_;
    int place_;
};

/// The widget with its painted parts first and its child widgets behind them.
class PartsInterface : public QAccessibleWidget {
  public:
    explicit PartsInterface(QWidget* widget) : QAccessibleWidget(widget) {}
    ~PartsInterface() override {
        for (const auto& [place, id] : made_) {
            QAccessible::deleteAccessibleInterface(id);
        }
    }
    [[nodiscard]] QAccessible::Role role() const override { return told().role; }
    [[nodiscard]] QString text(QAccessible::Text kind) const override {
        const QString value = kind == QAccessible::Value ? told().value() : QString();
        return value.isEmpty() ? QAccessibleWidget::text(kind) : value;
    }
    [[nodiscard]] int childCount() const override { return told().count() + QAccessibleWidget::childCount(); }
    [[nodiscard]] QAccessibleInterface* child(int place) const override {
        const int parts = told().count();
        if (place < 0 || place >= parts) {
            return place < 0 ? nullptr : QAccessibleWidget::child(place - parts);
        }
        const auto found = made_.find(place);
        if (found != made_.end()) {
            return QAccessible::accessibleInterface(found->second);
        }
        auto* part = new PartInterface(widget(), place);
        made_[place] = QAccessible::registerAccessibleInterface(part);
        return part;
    }
    [[nodiscard]] int indexOfChild(const QAccessibleInterface* child) const override {
        for (const auto& [place, id] : made_) {
            if (QAccessible::accessibleInterface(id) == child) {
                return place;
            }
        }
        const int inner = QAccessibleWidget::indexOfChild(child);
        return inner < 0 ? -1 : inner + told().count();
    }
    [[nodiscard]] QAccessibleInterface* childAt(int x, int y) const override {
        const QPoint place = widget()->mapFromGlobal(QPoint(x, y));
        for (int i = 0; i < told().count(); ++i) {
            if (told().part(i).place.contains(place)) {
                return child(i);
            }
        }
        return QAccessibleWidget::childAt(x, y);
    }

  private:
    [[nodiscard]] const PaintedParts& told() const {
        static const PaintedParts none;
        const PaintedParts* parts = parts_of(widget());
        return parts == nullptr ? none : *parts;
    }
    mutable std::map<int, QAccessible::Id> made_;
};

QAccessibleInterface* interface_of(const QString&, QObject* object) {
    auto* widget = qobject_cast<QWidget*>(object);
    return parts_of(widget) == nullptr ? nullptr : new PartsInterface(widget);
}

} // namespace

void tell_parts(QWidget& widget, PaintedParts parts) {
    static const bool installed = [] {
        QAccessible::installFactory(interface_of);
        return true;
    }();
    Q_UNUSED(installed);
    // Naming a widget makes its interface: the one without parts goes.
    if (QAccessibleInterface* made = QAccessible::queryAccessibleInterface(&widget)) {
        QAccessible::deleteAccessibleInterface(QAccessible::uniqueId(made));
    }
    new Teller(widget, std::move(parts));
}

} // namespace wembrix::app
