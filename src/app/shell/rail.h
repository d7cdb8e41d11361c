// The stations, in the order of the work, each with what waits in it.
#pragma once

#include <QAbstractButton>
#include <QWidget>
#include <vector>

namespace wembrix::app {

class RailButton : public QAbstractButton {
    Q_OBJECT
  public:
    RailButton(int number, const QString& name, QWidget* parent = nullptr);
    void set_note(const QString& note, const QColor& ink, const QColor& ground);
    [[nodiscard]] const QString& note() const { return note_; }
    [[nodiscard]] QSize sizeHint() const override { return {92, 74}; }

  protected:
    void paintEvent(QPaintEvent* event) override;

  private:
    int number_;
    QString name_;
    QString note_;
    QColor ink_;
    QColor ground_;
};

class Rail : public QWidget {
    Q_OBJECT
  public:
    explicit Rail(QWidget* parent = nullptr);
    RailButton* add(int number, const QString& name, const QString& tip);
    void choose(int index);
    [[nodiscard]] int count() const { return static_cast<int>(buttons_.size()); }
    [[nodiscard]] RailButton& button(int index) { return *buttons_[index]; }

  Q_SIGNALS:
    void chosen(int index);

  private:
    std::vector<RailButton*> buttons_;
};

} // namespace wembrix::app
