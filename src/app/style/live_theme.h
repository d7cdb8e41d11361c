// The theme while the window is open: it follows the desktop and what is chosen in Preferences, at once.
#pragma once

#include "style/theme.h"

#include <QDBusMessage>
#include <QObject>
#include <optional>

class QApplication;
class QWidget;

namespace wembrix::app {

/// The desktop's own choice by the settings portal of the XDG desktop specifications; not there: nothing is known.
class DesktopColours : public QObject {
    Q_OBJECT
  public:
    explicit DesktopColours(QObject* parent = nullptr);
    [[nodiscard]] std::optional<bool> is_dark() const { return dark_; }

  Q_SIGNALS:
    void changed();

  private Q_SLOTS:
    void take(const QDBusMessage& said); ///< group, key and value of a setting that changed

  private:
    std::optional<bool> dark_;
};

class LiveTheme : public QObject {
    Q_OBJECT
  public:
    /// Applies the theme to the application, and again whenever the desktop changes. One for an application.
    explicit LiveTheme(QApplication& application);
    /// Takes light or dark as now chosen. What stands in the old one's colours is repainted in the new one's.
    void refresh();

  Q_SIGNALS:
    void changed();

  private:
    QApplication& application_;
    DesktopColours desktop_;
};

/// The application's; null where it has none.
LiveTheme* live_theme();

/// Every colour of `from` in a style sheet or a rich text becomes that of `to`.
QString recoloured(const QString& text, const Theme& from, const Theme& to);
/// The same for a widget with all below it: their sheets, texts and the colours of their rows.
void recolour(QWidget& widget, const Theme& from, const Theme& to);

} // namespace wembrix::app
