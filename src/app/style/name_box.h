// A name typed in place: a box over a painted row, that says the name when it is left with another one.
#pragma once

#include <QLineEdit>

namespace wembrix::app {

class NameBox : public QLineEdit {
    Q_OBJECT
  public:
    /// Hidden until opened. `row_owner` paints the rows; it gets the keys back.
    NameBox(const QString& object_name, QWidget* row_owner, QWidget* parent);

    void open(const QRect& where, const QString& name);
    /// Closes without a word.
    void leave();

  Q_SIGNALS:
    /// Only when the text is neither empty nor the name that stood there.
    void named(const QString& name);

  protected:
    void keyPressEvent(QKeyEvent* event) override;

  private:
    QWidget* row_owner_;
    QString before_;
};

} // namespace wembrix::app
