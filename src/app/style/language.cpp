#include "style/language.h"

#include <QCoreApplication>
#include <QLibraryInfo>
#include <QLocale>
#include <QRegularExpression>
#include <QSettings>
#include <QTranslator>
#include <algorithm>
#include <memory>

namespace wembrix::app {

namespace {

/// One text is said one way wherever it stands, so the dictionary has no contexts of its own.
constexpr const char* everywhere = "Wembrix";

/// Numbers stand in places such as %1; %L1 has them written as the language writes them.
class WindowTranslator : public QTranslator {
  public:
    using QTranslator::QTranslator;
    QString translate(const char* /*context*/, const char* source, const char* comment, int count) const override {
        QString text = QTranslator::translate(everywhere, source, comment, count);
        if (text.contains(QLatin1Char('%'))) {
            static const QRegularExpression place(QStringLiteral("%([1-9])"));
            text.replace(place, QStringLiteral("%L\\1"));
        }
        return text;
    }
    [[nodiscard]] QString word(const std::string& source, int count = -1) const {
        return QTranslator::translate(everywhere, source.c_str(), nullptr, count);
    }
};

class WindowDictionary : public Dictionary {
  public:
    explicit WindowDictionary(const WindowTranslator& translator, const QLocale& locale)
        : translator_(translator), point_(locale.decimalPoint().at(0).toLatin1()) {}
    [[nodiscard]] std::string phrase(const std::string& id) const override {
        return translator_.word(id).toStdString();
    }
    [[nodiscard]] std::string count(uint64_t number, const std::string& noun) const override {
        // The plural depends on the last digits alone.
        const int told = static_cast<int>(number < 1'000'000 ? number : 1'000'000 + number % 1'000'000);
        QString words = translator_.word("%n " + noun, told);
        return words.replace(QStringLiteral("%n"), QString::number(number)).toStdString();
    }
    [[nodiscard]] char decimal_point() const override { return point_; }

  private:
    const WindowTranslator& translator_;
    char point_;
};

struct InUse {
    QString code = QStringLiteral("en");
    std::unique_ptr<WindowTranslator> window;
    std::unique_ptr<QTranslator> toolkit; ///< the buttons and dialogs that Qt brings
    std::unique_ptr<WindowDictionary> dictionary;
};
InUse& in_use() {
    static InUse now;
    return now;
}

} // namespace

const std::vector<Language>& languages() {
    static const std::vector<Language> all = {{QStringLiteral("en"), QStringLiteral("English")},
                                              {QStringLiteral("de"), QStringLiteral("Deutsch")}};
    return all;
}

QString chosen_language() {
    return QSettings().value(QStringLiteral("language")).toString();
}

void choose_language(const QString& code) {
    QSettings().setValue(QStringLiteral("language"), code);
}

QString language_to_use() {
    QStringList wanted = {chosen_language()};
    if (wanted.front().isEmpty()) {
        wanted = QLocale::system().uiLanguages();
    }
    for (const QString& one : wanted) {
        const QString code = one.section(QLatin1Char('-'), 0, 0);
        if (std::any_of(languages().begin(), languages().end(), [&](const Language& l) { return l.code == code; })) {
            return code;
        }
    }
    return languages().front().code;
}

void use_language(QCoreApplication& application, const QString& code) {
    InUse& now = in_use();
    now.dictionary.reset();
    if (now.window) {
        application.removeTranslator(now.window.get());
        application.removeTranslator(now.toolkit.get());
    }
    now.window.reset();
    now.toolkit.reset();
    now.code = languages().front().code;
    if (code == now.code) {
        QLocale::setDefault(QLocale::c());
        return;
    }
    QLocale locale(code);
    locale.setNumberOptions(QLocale::OmitGroupSeparator);
    now.window = std::make_unique<WindowTranslator>();
    now.toolkit = std::make_unique<QTranslator>();
    if (!now.window->load(QStringLiteral(":/languages/wembrix_%1.qm").arg(code))) {
        now.window.reset();
        now.toolkit.reset();
        return;
    }
    now.code = code;
    QLocale::setDefault(locale);
    if (now.toolkit->load(QStringLiteral("qtbase_") + code, QLibraryInfo::path(QLibraryInfo::TranslationsPath))) {
        QCoreApplication::installTranslator(now.toolkit.get());
    }
    QCoreApplication::installTranslator(now.window.get()); // the last one is asked first
    now.dictionary = std::make_unique<WindowDictionary>(*now.window, locale);
}

QString language_in_use() {
    return in_use().code;
}

QString localized(const Text& text) {
    const InUse& now = in_use();
    return QString::fromStdString(now.dictionary ? said(text, *now.dictionary) : static_cast<const std::string&>(text));
}

QString localized(const std::string& text) {
    return localized(Text(text.c_str()));
}

QString localized(std::string_view label) {
    return localized(Text(std::string(label).c_str()));
}

QString localized(const char* label) {
    return localized(Text(label));
}

} // namespace wembrix::app
