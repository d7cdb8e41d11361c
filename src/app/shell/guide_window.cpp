#include "shell/guide_window.h"

#include <QFile>
#include <QHBoxLayout>
#include <QImage>
#include <QListWidget>
#include <QTextBrowser>

/// A library's object comes along only when it is asked for; this stands outside namespaces as Qt wants it.
static void bring_pictures() {
    Q_INIT_RESOURCE(pictures);
}

namespace wembrix::app {

namespace {

struct Page {
    const char* file;
    QString title;
};

std::vector<Page> pages() {
    return {{"README", QObject::tr("How it works")},  {"intake", QObject::tr("Intake")},
            {"joints", QObject::tr("Joints")},        {"takes", QObject::tr("Takes")},
            {"deliver", QObject::tr("Deliver")},      {"route-card", QObject::tr("The route card")},
            {"view", QObject::tr("The view")},        {"job", QObject::tr("The job")},
            {"findings", QObject::tr("All findings")}};
}

/// Shows the pictures of the guide as wide as the page is.
class GuideBrowser : public QTextBrowser {
  public:
    using QTextBrowser::QTextBrowser;
    QVariant loadResource(int type, const QUrl& name) override {
        if (type != QTextDocument::ImageResource) {
            return QTextBrowser::loadResource(type, name);
        }
        constexpr int wide = 620;
        return QImage(QStringLiteral(":/pictures/") + name.fileName()).scaledToWidth(wide, Qt::SmoothTransformation);
    }
};

} // namespace

GuideWindow::GuideWindow(QWidget* parent) : QDialog(parent) {
    setWindowTitle(tr("Guide"));
    resize(860, 620);
    bring_pictures();
    auto* row = new QHBoxLayout(this);
    pages_ = new QListWidget(this);
    pages_->setObjectName(QStringLiteral("guidePages"));
    pages_->setFixedWidth(150);
    for (const Page& page : pages()) {
        auto* item = new QListWidgetItem(page.title, pages_);
        item->setData(Qt::UserRole, QString::fromUtf8(page.file));
    }
    row->addWidget(pages_);
    browser_ = new GuideBrowser(this);
    browser_->setObjectName(QStringLiteral("guideText"));
    browser_->setOpenLinks(false);
    browser_->document()->setDocumentMargin(14);
    row->addWidget(browser_, 1);
    connect(pages_, &QListWidget::currentItemChanged, this, [this](QListWidgetItem* item) {
        if (item != nullptr) {
            QFile file(QStringLiteral(":/guide/%1.md").arg(item->data(Qt::UserRole).toString()));
            if (file.open(QIODevice::ReadOnly)) {
                browser_->setMarkdown(QString::fromUtf8(file.readAll()));
            }
        }
    });
    connect(browser_, &QTextBrowser::anchorClicked, this,
            [this](const QUrl& link) { show_page(link.fileName().section(QLatin1Char('.'), 0, 0)); });
    pages_->setCurrentRow(0);
}

void GuideWindow::show_page(const QString& page) {
    for (int i = 0; i < pages_->count(); ++i) {
        if (pages_->item(i)->data(Qt::UserRole).toString() == page) {
            pages_->setCurrentRow(i);
        }
    }
}

QString GuideWindow::text() const {
    return browser_->toPlainText();
}

} // namespace wembrix::app
