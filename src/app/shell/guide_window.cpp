#include "shell/guide_window.h"

#include "style/theme.h"

#include <QAbstractTextDocumentLayout>
#include <QDir>
#include <QFile>
#include <QHBoxLayout>
#include <QImage>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>
#include <QRegularExpression>
#include <QScrollBar>
#include <QShortcut>
#include <QTextBlock>
#include <QTextBrowser>
#include <QVBoxLayout>

/// A library's object comes along only when it is asked for; this stands outside namespaces as Qt wants it.
static void bring_pictures() {
    Q_INIT_RESOURCE(pictures);
}

namespace wembrix::app {

namespace {

constexpr int page_role = Qt::UserRole;
constexpr int heading_role = Qt::UserRole + 1;

struct GuidePage {
    QString file; ///< without its suffix
    QString title;
    QString markdown;
};

/// All pages: those of the work in its order, what else there is behind them.
const std::vector<GuidePage>& guide_pages() {
    static const std::vector<GuidePage> all = [] {
        QStringList order = {QStringLiteral("README"),  QStringLiteral("trouble"), QStringLiteral("intake"),
                             QStringLiteral("joints"),  QStringLiteral("surface"), QStringLiteral("takes"),
                             QStringLiteral("strands"), QStringLiteral("deliver")};
        const QStringList there =
            QDir(QStringLiteral(":/guide")).entryList({QStringLiteral("*.md")}, QDir::Files, QDir::Name);
        for (const QString& file : there) {
            if (const QString page = file.chopped(3); !order.contains(page)) {
                order << page;
            }
        }
        std::vector<GuidePage> made;
        for (const QString& page : order) {
            QFile file(QStringLiteral(":/guide/%1.md").arg(page));
            if (!file.open(QIODevice::ReadOnly)) {
                continue;
            }
            const QString text = QString::fromUtf8(file.readAll());
            const QString first = text.section(QLatin1Char('\n'), 0, 0);
            made.push_back({page,
                            page == QLatin1String("README") ? QObject::tr("How it works")
                                                            : first.mid(first.indexOf(QLatin1Char(' ')) + 1),
                            text});
        }
        return made;
    }();
    return all;
}

/// What a heading is linked by: lower case, blanks as hyphens, without other signs.
QString anchor_of(const QString& heading) {
    static const QRegularExpression other(QStringLiteral("[^\\w\\- ]"), QRegularExpression::UseUnicodePropertiesOption);
    return heading.trimmed().toLower().remove(other).replace(QLatin1Char(' '), QLatin1Char('-'));
}

QStringList words_of(const QString& text) {
    return text.split(QRegularExpression(QStringLiteral("\\s+")), Qt::SkipEmptyParts);
}

bool has_all(const QString& text, const QStringList& words) {
    return std::all_of(words.begin(), words.end(),
                       [&](const QString& word) { return text.contains(word, Qt::CaseInsensitive); });
}

/// Some of a text around the first of the words, in one line.
QString around(const QString& text, const QStringList& words) {
    constexpr int wide = 70;
    const auto at = static_cast<int>(text.indexOf(words.front(), 0, Qt::CaseInsensitive));
    const int from = std::max(0, at - wide / 3);
    const QString cut = text.mid(from, wide).simplified();
    return (from > 0 ? QStringLiteral("…") : QString()) + cut +
           (from + wide < text.size() ? QStringLiteral("…") : QString());
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
    resize(920, 660);
    bring_pictures();
    auto* row = new QHBoxLayout(this);
    auto* side = new QVBoxLayout;
    row->addLayout(side);
    search_ = new QLineEdit(this);
    search_->setObjectName(QStringLiteral("guideSearch"));
    search_->setPlaceholderText(tr("Search in the guide"));
    search_->setClearButtonEnabled(true);
    search_->setFixedWidth(230);
    side->addWidget(search_);
    list_ = new QListWidget(this);
    list_->setObjectName(QStringLiteral("guidePages"));
    list_->setFixedWidth(230);
    list_->setWordWrap(true);
    list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    side->addWidget(list_, 1);
    back_ = new QPushButton(tr("&Back"), this);
    back_->setObjectName(QStringLiteral("guideBack"));
    back_->setAutoDefault(false);
    back_->setEnabled(false);
    side->addWidget(back_);
    browser_ = new GuideBrowser(this);
    browser_->setObjectName(QStringLiteral("guideText"));
    browser_->setOpenLinks(false);
    browser_->document()->setDocumentMargin(14);
    QPalette colours = browser_->palette();
    colours.setColor(QPalette::Link, theme().accent);
    browser_->setPalette(colours);
    row->addWidget(browser_, 1);
    connect(search_, &QLineEdit::textChanged, this,
            [this](const QString& words) { words_of(words).isEmpty() ? list_pages() : list_hits(words); });
    connect(search_, &QLineEdit::returnPressed, this, [this] {
        if (list_->count() > 0) {
            list_->setCurrentRow(0);
        }
    });
    connect(list_, &QListWidget::currentItemChanged, this, [this](QListWidgetItem* item) {
        if (item != nullptr && !item->data(page_role).isNull()) {
            open(item->data(page_role).toString(), item->data(heading_role).toString(), search_->text());
        }
    });
    connect(browser_, &QTextBrowser::anchorClicked, this, [this](const QUrl& link) {
        const QString page = link.fileName().section(QLatin1Char('.'), 0, 0);
        show_page((page.isEmpty() ? shown_.section(QLatin1Char('#'), 0, 0) : page) + QLatin1Char('#') +
                  link.fragment());
    });
    connect(back_, &QPushButton::clicked, this, [this] {
        const QString to = before_.back();
        before_.pop_back();
        shown_.clear(); // where it came from is not where it goes back to
        show_page(to);
        back_->setEnabled(!before_.empty());
    });
    auto* find = new QShortcut(QKeySequence::Find, this);
    connect(find, &QShortcut::activated, this, [this] {
        search_->setFocus();
        search_->selectAll();
    });
    list_pages();
    list_->setCurrentRow(0);
}

QStringList GuideWindow::pages() const {
    QStringList all;
    for (const GuidePage& page : guide_pages()) {
        all << page.file;
    }
    return all;
}

void GuideWindow::list_pages() {
    const QSignalBlocker quiet(list_);
    list_->clear();
    for (const GuidePage& page : guide_pages()) {
        auto* item = new QListWidgetItem(page.title, list_);
        item->setData(page_role, page.file);
        if (page.file == shown_.section(QLatin1Char('#'), 0, 0)) {
            list_->setCurrentItem(item);
        }
    }
    mark({});
}

void GuideWindow::list_hits(const QString& text) {
    constexpr int most = 80;
    const QStringList words = words_of(text);
    const QSignalBlocker quiet(list_);
    list_->clear();
    for (const GuidePage& page : guide_pages()) {
        QTextDocument document;
        document.setMarkdown(page.markdown);
        QString heading;
        for (QTextBlock block = document.begin(); block.isValid() && list_->count() < most; block = block.next()) {
            if (block.blockFormat().headingLevel() > 0) {
                heading = block.text();
            }
            if (has_all(block.text(), words)) {
                auto* item =
                    new QListWidgetItem(QStringLiteral("%1\n%2").arg(heading == page.title || heading.isEmpty()
                                                                         ? page.title
                                                                         : page.title + QStringLiteral(" · ") + heading,
                                                                     around(block.text(), words)),
                                        list_);
                item->setData(page_role, page.file);
                item->setData(heading_role, anchor_of(heading));
            }
        }
    }
    if (list_->count() == 0) {
        auto* item = new QListWidgetItem(tr("Nothing has all of these words."), list_);
        item->setFlags(Qt::NoItemFlags);
    }
}

void GuideWindow::show_page(const QString& page) {
    const QString file = page.section(QLatin1Char('#'), 0, 0);
    if (!pages().contains(file)) {
        return;
    }
    if (!search_->text().isEmpty()) {
        search_->clear();
    }
    for (int i = 0; i < list_->count(); ++i) {
        if (list_->item(i)->data(page_role).toString() == file) {
            const QSignalBlocker quiet(list_);
            list_->setCurrentRow(i);
        }
    }
    open(file, page.section(QLatin1Char('#'), 1), {});
}

void GuideWindow::open(const QString& file, const QString& heading, const QString& words) {
    const QString now = heading.isEmpty() ? file : file + QLatin1Char('#') + heading;
    if (!shown_.isEmpty() && shown_ != now) {
        before_.push_back(shown_);
        back_->setEnabled(true);
    }
    if (shown_.section(QLatin1Char('#'), 0, 0) != file) {
        for (const GuidePage& page : guide_pages()) {
            if (page.file == file) {
                browser_->setMarkdown(page.markdown);
            }
        }
    }
    shown_ = now;
    go_to(heading);
    mark(words);
}

void GuideWindow::go_to(const QString& heading) {
    browser_->verticalScrollBar()->setValue(0);
    if (heading.isEmpty()) {
        return;
    }
    for (QTextBlock block = browser_->document()->begin(); block.isValid(); block = block.next()) {
        if (block.blockFormat().headingLevel() > 0 && anchor_of(block.text()) == heading) {
            const QRectF place = browser_->document()->documentLayout()->blockBoundingRect(block);
            browser_->verticalScrollBar()->setValue(static_cast<int>(place.top()) - 8);
            return;
        }
    }
}

void GuideWindow::mark(const QString& text) {
    QList<QTextEdit::ExtraSelection> marks;
    for (const QString& word : words_of(text)) {
        QTextCursor at(browser_->document());
        while (!(at = browser_->document()->find(word, at)).isNull()) {
            QTextEdit::ExtraSelection mark;
            mark.cursor = at;
            mark.format.setFontUnderline(true);
            mark.format.setFontWeight(QFont::Bold);
            mark.format.setBackground(palette().color(QPalette::Highlight).lighter(170));
            mark.format.setForeground(QColor(Qt::black));
            marks << mark;
        }
    }
    browser_->setExtraSelections(marks);
}

QString GuideWindow::text() const {
    return browser_->toPlainText();
}

} // namespace wembrix::app
