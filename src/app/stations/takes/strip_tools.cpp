#include "stations/takes/strip_tools.h"

#include "core/scene/clip.h"
#include "style/theme.h"

#include <QComboBox>
#include <QDoubleSpinBox>
#include <QFormLayout>
#include <QHBoxLayout>
#include <QLabel>
#include <QMenu>
#include <QPushButton>
#include <QToolButton>
#include <QWidgetAction>

namespace wembrix::app {

StripTools::StripTools(QWidget* parent) : QWidget(parent) {
    auto* tools = new QHBoxLayout(this);
    tools->setContentsMargins(8, 0, 8, 0);
    tools->setSpacing(6);
    takes = new QComboBox(this);
    takes->setObjectName(QStringLiteral("takeChoice"));
    takes->setToolTip(tr("The take that is cut"));
    tools->addWidget(takes);
    bring = new QToolButton(this);
    bring->setObjectName(QStringLiteral("bringTakes"));
    bring->setText(tr("+ Takes"));
    bring->setPopupMode(QToolButton::InstantPopup);
    bring->setStyleSheet(QStringLiteral("QToolButton::menu-indicator { image: none; }"));
    bring->setToolTip(tr("Takes from other files, carried onto this model; files and folders can be dropped as well"));
    auto* more = new QMenu(bring);
    more->addAction(tr("Files…"), this, &StripTools::filesAsked);
    more->addAction(tr("All of a folder…"), this, &StripTools::folderAsked);
    bring->setMenu(more);
    tools->addWidget(bring);
    about = new QLabel(this);
    about->setObjectName(QStringLiteral("soft"));
    about->setMinimumWidth(1); // it goes where there is no room for it
    tools->addWidget(about);
    tools->addStretch(1);
    curves = new QComboBox(this);
    curves->setObjectName(QStringLiteral("curveChoice"));
    curves->setToolTip(
        tr("What the strip draws over the take: how much moves, or one joint's motion as it was received "
           "and as it is prepared, with its keys"));
    curves->addItem(tr("Energy"), -1);
    curves->addItem(tr("Translation"), static_cast<int>(Path::translation));
    curves->addItem(tr("Rotation"), static_cast<int>(Path::rotation));
    curves->addItem(tr("Scale"), static_cast<int>(Path::scale));
    tools->addWidget(curves);
    auto* feet = new QToolButton(this);
    feet->setObjectName(QStringLiteral("feet"));
    feet->setText(tr("Contacts ▾"));
    feet->setPopupMode(QToolButton::InstantPopup);
    feet->setToolTip(tr("When a foot counts as in contact with the ground: how low and how slow it has to be"));
    auto* menu = new QMenu(feet);
    auto* action = new QWidgetAction(menu);
    action->setDefaultWidget(make_feet_menu(feet));
    menu->addAction(action);
    feet->setMenu(menu);
    feet->setStyleSheet(QStringLiteral("QToolButton::menu-indicator { image: none; }"));
    tools->addWidget(feet);
    tools->addWidget(new QLabel(tr("Still below"), this));
    still_below = new QDoubleSpinBox(this);
    still_below->setObjectName(QStringLiteral("stillBelow"));
    still_below->setAccessibleName(QObject::tr("Still is slower than, metres a second"));
    still_below->setDecimals(3);
    still_below->setRange(0, 1000);
    still_below->setSingleStep(0.01);
    still_below->setSuffix(tr(" m/s"));
    still_below->setMaximumWidth(96);
    still_below->setToolTip(tr("Frames in which less moves are still; the dotted line on the strip"));
    tools->addWidget(still_below);
    tools->addWidget(new QLabel(tr("for"), this));
    shortest = new QDoubleSpinBox(this);
    shortest->setObjectName(QStringLiteral("shortest"));
    shortest->setAccessibleName(QObject::tr("Shortest still place, seconds"));
    shortest->setDecimals(2);
    shortest->setRange(0.03, 60);
    shortest->setSingleStep(0.1);
    shortest->setValue(0.5);
    shortest->setSuffix(tr(" s"));
    shortest->setMaximumWidth(72);
    shortest->setToolTip(tr("At least so long"));
    tools->addWidget(shortest);
    offered = new QLabel(this);
    offered->setObjectName(QStringLiteral("offered"));
    offered->setToolTip(tr("Still places that are offered as cuts"));
    offered->setStyleSheet(QStringLiteral("color: %1;").arg(theme().look.name()));
    tools->addWidget(offered);
    cut_all = new QPushButton(tr("Cut all"), this);
    cut_all->setObjectName(QStringLiteral("cutAll"));
    cut_all->setToolTip(tr("New clips between the places offered; what is cut now is replaced"));
    tools->addWidget(cut_all);
    cut_named = new QPushButton(this);
    cut_named->setObjectName(QStringLiteral("cutNamed"));
    tools->addWidget(cut_named);
    cut_here = new QPushButton(tr("Cut at playhead"), this);
    cut_here->setObjectName(QStringLiteral("cutHere"));
    cut_here->setToolTip(tr(
        "At the playhead (Enter on the strip). Wheel zooms, Shift with it scrolls, Alt drags an end without snapping, "
        "double-click names a clip, Delete takes it out."));
    tools->addWidget(cut_here);
}

QWidget* StripTools::make_feet_menu(QToolButton* button) {
    auto* page = new QWidget(button);
    auto* form = new QFormLayout(page);
    feet_height = new QDoubleSpinBox(page);
    feet_height->setObjectName(QStringLiteral("feetHeight"));
    feet_height->setDecimals(1);
    feet_height->setRange(0, 10000);
    feet_height->setSingleStep(0.5);
    feet_height->setSuffix(tr(" cm"));
    feet_height->setSpecialValueText(tr("2 % of the height"));
    form->addRow(tr("Stands up to"), feet_height);
    feet_speed = new QDoubleSpinBox(page);
    feet_speed->setObjectName(QStringLiteral("feetSpeed"));
    feet_speed->setDecimals(2);
    feet_speed->setRange(0, 1000);
    feet_speed->setSingleStep(0.05);
    feet_speed->setSuffix(tr(" m/s"));
    feet_speed->setSpecialValueText(tr("20 % of the height per second"));
    form->addRow(tr("and slower than"), feet_speed);
    feet_chosen = new QPushButton(tr("Take the chosen joints"), page);
    feet_chosen->setObjectName(QStringLiteral("feetChosen"));
    feet_chosen->setToolTip(
        tr("The joints that are chosen in the view are the feet: hands on a wall, a tail, a stick"));
    feet_found = new QPushButton(tr("Find the feet"), page);
    feet_found->setObjectName(QStringLiteral("feetFound"));
    feet_found->setToolTip(tr("The joints that stand on the ground at rest"));
    auto* buttons = new QHBoxLayout;
    buttons->addWidget(feet_chosen);
    buttons->addWidget(feet_found);
    form->addRow(buttons);
    feet_height->setToolTip(tr("Above the joint's own lowest place in the take"));
    feet_speed->setToolTip(tr("Over the ground"));
    return page;
}

} // namespace wembrix::app
