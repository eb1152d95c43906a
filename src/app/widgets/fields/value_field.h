// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QLineEdit>
#include <functional>
#include <optional>

namespace puretone::app {

/// How one value is shown, typed, stepped and reset.
struct FieldSpec {
    QString label;
    QString tip; ///< What it does to the sound, one plain sentence.
    std::function<QString(double)> format;
    std::function<std::optional<double>(const QString&)> parse;
    /// The value some steps away: `steps` is 1 for an arrow key, fractions while dragging.
    std::function<double(double value, double steps)> step;
    std::optional<double> reset; ///< On a double-click on the label.
    double low = -1e300, high = 1e300;
    bool timesAsShown = false; ///< A number alone counts in ms or s, whichever is shown.
    QString refusal; ///< Why a typed value out of range is refused: "It must lie between ...".
};

/// Label and value in one row: typed with units, dragged up and down, stepped with the arrow keys
/// (Shift: a tenth), reset by a double-click on the label.
class ValueField : public QWidget {
    Q_OBJECT

public:
    explicit ValueField(FieldSpec spec, QWidget* parent = nullptr);
    ~ValueField() override;
    void setValue(double value);
    /// Range of what may be typed; dragging stops at its ends.
    void setRange(double low, double high);
    void setLabel(const QString& label);
    /// In a row with others: as wide as this, px, instead of as all fields of a column.
    void setEditWidth(int width);
    void setFieldEnabled(bool enabled);
    /// Several things are chosen whose values differ: `value` is one of them, and what is dragged.
    void setVarious(double value);
    double value() const { return value_; }

signals:
    /// `first` begins a gesture: one drag, one run of arrow keys, one typed value.
    void edited(double value, bool first);
    void refused(const QString& sentence);

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    void commitTyped();
    void takeTyped();
    void propose(double value, bool first);
    void showValue();
    bool editEvent(QEvent* event);

    FieldSpec spec_;
    double value_ = 0.0;
    QLabel* label_;
    QLineEdit* edit_;
    bool pressed_ = false, dragging_ = false, keyRun_ = false;
    double pressY_ = 0.0, dragFrom_ = 0.0;
};

/// What stands right of its label takes this share of a row, up to the width of a column of values;
/// long labels take some of it, but not so much that a value is cut.
constexpr int valueStretch = 1000;
void limitValueWidth(QWidget& value);

/// Ready-made steps. Times grow by ratios, so that 1 ms and 10 s are equally easy to reach.
double stepLinear(double value, double steps, double size);
double stepTime(double value, double steps);

} // namespace puretone::app
