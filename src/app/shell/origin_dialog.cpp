#include "shell/origin_dialog.h"

#include "style/mnemonics.h"

#include <QDialogButtonBox>
#include <QFormLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QStyle>
#include <QVBoxLayout>

namespace wembrix::app {

OriginDialog::OriginDialog(const Origin& origin, QWidget* parent) : QDialog(parent), before_(origin) {
    setWindowTitle(tr("Family and variant"));
    resize(520, 330);
    auto* column = new QVBoxLayout(this);
    auto* why = new QLabel(tr("Every .glb and .gltf, and the manifest of every delivery, says which family and variant "
                              "it is of, its license and credits. The ids are given once and stay, whatever job and "
                              "files are called."),
                           this);
    why->setWordWrap(true);
    why->setObjectName(QStringLiteral("soft"));
    column->addWidget(why);
    auto* form = new QFormLayout;
    const auto add = [&](const QString& label, const char* name, const std::string& text, const std::string& id) {
        auto* line = new QLineEdit(QString::fromStdString(text), this);
        line->setObjectName(QString::fromUtf8(name));
        form->addRow(label, line);
        if (QString::fromUtf8(name).endsWith(QStringLiteral("Text"))) {
            return line; // has no id
        }
        auto* own = new QLabel(id.empty() ? tr("gets its id with the name") : QString::fromStdString(id), this);
        own->setObjectName(QStringLiteral("soft"));
        own->setTextInteractionFlags(Qt::TextSelectableByMouse);
        form->addRow(QString(), own);
        return line;
    };
    family_ = add(tr("Family"), "familyName", origin.family, origin.family_id);
    variant_ = add(tr("Variant"), "variantName", origin.variant, origin.variant_id);
    license_ = add(tr("License"), "licenseText", origin.license, "");
    license_->setPlaceholderText(tr("under which its files are given on"));
    credits_ = add(tr("Credits"), "creditsText", origin.credits, "");
    credits_->setPlaceholderText(tr("who made what is in them"));
    column->addLayout(form);
    column->addStretch(1);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Cancel, this);
    auto* use = buttons->addButton(tr("&Apply"), QDialogButtonBox::AcceptRole);
    use->setObjectName(QStringLiteral("go"));
    use->style()->polish(use); // it was made before it had this name
    auto* other = buttons->addButton(tr("New variant…"), QDialogButtonBox::ActionRole);
    other->setObjectName(QStringLiteral("newVariant"));
    other->setToolTip(
        tr("Saves a copy of the job, under the variant's name typed here, as another variant of the same family"));
    connect(other, &QPushButton::clicked, this, [this] {
        wants_variant_ = true;
        accept();
    });
    connect(buttons, &QDialogButtonBox::accepted, this, &QDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    column->addWidget(buttons);
    give_mnemonics(*this);
}

Origin OriginDialog::origin() const {
    Origin origin = before_;
    origin.family = family_->text().trimmed().toStdString();
    origin.variant = variant_->text().trimmed().toStdString();
    origin.license = license_->text().trimmed().toStdString();
    origin.credits = credits_->text().trimmed().toStdString();
    return origin;
}

} // namespace wembrix::app
