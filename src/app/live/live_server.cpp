#include "live/live_server.h"
#include "style/language.h"

#include "core/live/program_messages.h"

#include <QDir>
#include <QFile>
#include <QJsonDocument>
#include <QJsonObject>
#include <QPointer>
#include <QRandomGenerator>
#include <QSaveFile>
#include <QStandardPaths>
#include <QTcpSocket>
#include <QTimer>
#include <QWebSocket>
#include <QWebSocketCorsAuthenticator>
#include <map>

/// What the page draws with lies in an object of its own, which is linked only where it is named.
static void find_page() {
#ifdef WEMBRIX_LIVE_PAGE
    Q_INIT_RESOURCE(three);
#endif
}

namespace wembrix::app {

namespace {

constexpr qint64 longest_request = 16384;
constexpr int patience_ms = 5000; ///< for a request, and for a hello
constexpr int most_waiting = 32;

struct Request {
    QByteArray method;
    QByteArray path;
    std::map<QByteArray, QByteArray> headers; ///< their names in small letters
};

std::optional<Request> request_from(const QByteArray& head) {
    const QList<QByteArray> lines = head.split('\n');
    const QList<QByteArray> first = lines.front().trimmed().split(' ');
    if (first.size() != 3 || !first[2].startsWith("HTTP/1.")) {
        return std::nullopt;
    }
    Request request{first[0], first[1], {}};
    for (qsizetype i = 1; i < lines.size(); ++i) {
        const qsizetype colon = lines[i].indexOf(':');
        if (colon > 0) {
            // The first of a name counts, and a second one is no plain request.
            if (!request.headers
                     .try_emplace(lines[i].left(colon).trimmed().toLower(), lines[i].mid(colon + 1).trimmed())
                     .second) {
                return std::nullopt;
            }
        }
    }
    return request;
}

QByteArray header(const Request& request, const char* name) {
    const auto found = request.headers.find(name);
    return found == request.headers.end() ? QByteArray() : found->second;
}

/// So many words of 64 bits that nobody can guess, in hexadecimal.
QByteArray drawn(int words) {
    QByteArray text;
    for (int i = 0; i < words; ++i) {
        text += QByteArray::number(QRandomGenerator::system()->generate64(), 16).rightJustified(16, '0');
    }
    return text;
}

struct Served {
    const char* path;
    const char* resource;
    const char* type;
};
constexpr Served served[] = {
    {"/", ":/live/index.html", "text/html; charset=utf-8"},
    {"/live.js", ":/live/live.js", "text/javascript; charset=utf-8"},
    {"/live.css", ":/live/live.css", "text/css; charset=utf-8"},
    {"/three/three.module.js", ":/live/three/three.module.js", "text/javascript; charset=utf-8"},
    {"/three/three.core.js", ":/live/three/three.core.js", "text/javascript; charset=utf-8"},
    {"/three/GLTFLoader.js", ":/live/three/GLTFLoader.js", "text/javascript; charset=utf-8"},
    {"/three/OrbitControls.js", ":/live/three/OrbitControls.js", "text/javascript; charset=utf-8"},
    {"/utils/BufferGeometryUtils.js", ":/live/three/BufferGeometryUtils.js", "text/javascript; charset=utf-8"},
    {"/utils/SkeletonUtils.js", ":/live/three/SkeletonUtils.js", "text/javascript; charset=utf-8"},
};

} // namespace

LiveServer::LiveServer(QObject* parent)
    : QObject(parent), sockets_(QStringLiteral("wembrix"), QWebSocketServer::NonSecureMode) {
    find_page();
    tcp_.setMaxPendingConnections(most_waiting);
    connect(&tcp_, &QTcpServer::newConnection, this, [this] {
        while (QTcpSocket* socket = tcp_.nextPendingConnection()) {
            take(socket);
        }
    });
    connect(&sockets_, &QWebSocketServer::newConnection, this, [this] {
        while (QWebSocket* socket = sockets_.nextPendingConnection()) {
            greet(socket);
        }
    });
}

LiveServer::~LiveServer() {
    close();
}

bool LiveServer::has_page() {
    find_page();
    return QFile::exists(QStringLiteral(":/live/three/three.module.js"));
}

QString LiveServer::meeting_file() {
    QString folder = QStandardPaths::writableLocation(QStandardPaths::RuntimeLocation);
    if (folder.isEmpty()) {
        folder = QStandardPaths::writableLocation(QStandardPaths::GenericCacheLocation);
    }
    return folder + QStringLiteral("/wembrix/live.json");
}

QUrl LiveServer::page() const {
    return QUrl(QStringLiteral("http://127.0.0.1:%1/#%2").arg(port()).arg(token_));
}

bool LiveServer::open() {
    if (is_open()) {
        return true;
    }
    problem_.clear();
    refused_ = 0;
    last_refusal_.clear();
    if (!tcp_.listen(QHostAddress::LocalHost, 0)) {
        problem_ = tr("This machine gives it no port to listen on: %1").arg(tcp_.errorString());
        return false;
    }
    token_ = QString::fromLatin1(drawn(4));
    nonce_ = drawn(2);
    const QString file = meeting_file();
    const QFileInfo info(file);
    QDir().mkpath(info.path());
    QFile::setPermissions(info.path(), QFile::ReadOwner | QFile::WriteOwner | QFile::ExeOwner);
    QSaveFile meeting(file);
    const QJsonObject told{{QStringLiteral("version"), live_version},
                           {QStringLiteral("url"), QStringLiteral("ws://127.0.0.1:%1/live").arg(port())},
                           {QStringLiteral("token"), token_}};
    if (!meeting.open(QIODevice::WriteOnly) || !meeting.setPermissions(QFile::ReadOwner | QFile::WriteOwner) ||
        meeting.write(QJsonDocument(told).toJson()) < 0 || !meeting.commit()) {
        problem_ = tr("Listeners cannot find it by themselves: %1 cannot be written.").arg(file);
    }
    Q_EMIT changed();
    return true;
}

void LiveServer::close() {
    if (!is_open()) {
        return;
    }
    tcp_.close();
    // Another window may have written its own since.
    QFile meeting(meeting_file());
    if (meeting.open(QIODevice::ReadOnly) && meeting.readAll().contains(token_.toLatin1())) {
        meeting.remove();
    }
    Q_EMIT changed();
}

void LiveServer::count_refusal(const QString& why) {
    ++refused_;
    last_refusal_ = why;
    Q_EMIT changed();
}

void LiveServer::take(QTcpSocket* socket) {
    if (waiting_ >= most_waiting) {
        socket->abort();
        socket->deleteLater();
        return;
    }
    ++waiting_;
    // Whoever says nothing is not waited for.
    auto* patience = new QTimer(socket);
    patience->setSingleShot(true);
    patience->setObjectName(QStringLiteral("patience"));
    connect(patience, &QTimer::timeout, socket, [socket] { socket->abort(); });
    connect(patience, &QObject::destroyed, this, [this] { --waiting_; });
    patience->start(patience_ms);
    connect(socket, &QTcpSocket::disconnected, socket, &QObject::deleteLater);
    connect(socket, &QTcpSocket::readyRead, this, [this, socket] { read_request(socket); });
}

void LiveServer::read_request(QTcpSocket* socket) {
    const QByteArray seen = socket->peek(longest_request);
    const qsizetype end = seen.indexOf("\r\n\r\n");
    if (end < 0) {
        if (seen.size() >= longest_request) {
            socket->abort();
        }
        return;
    }
    disconnect(socket, nullptr, this, nullptr); // one request each
    delete socket->findChild<QTimer*>(QStringLiteral("patience"));
    const std::optional<Request> request = request_from(seen.left(end));
    const QByteArray here = "127.0.0.1:" + QByteArray::number(port());
    if (!request || request->method != "GET" || header(*request, "content-length").toLongLong() > 0) {
        answer(socket, "400 Bad Request", "text/plain", "no request that is answered here\n");
        return;
    }
    // A name that somebody has point to this machine is not this machine's.
    if (header(*request, "host") != here) {
        count_refusal(tr("it called this machine “%1”").arg(QString::fromLatin1(header(*request, "host").left(80))));
        answer(socket, "403 Forbidden", "text/plain", "ask for 127.0.0.1\n");
        return;
    }
    if (header(*request, "upgrade").toLower() == "websocket") {
        const QByteArray origin = header(*request, "origin");
        if (request->path != "/live" || (!origin.isEmpty() && origin != "http://" + here)) {
            count_refusal(tr("a page of %1").arg(QString::fromLatin1(origin.left(80))));
            answer(socket, "403 Forbidden", "text/plain", "not from this page\n");
            return;
        }
        disconnect(socket, &QTcpSocket::disconnected, socket, &QObject::deleteLater);
        sockets_.handleConnection(socket);
        return;
    }
    for (const Served& file : served) {
        QFile resource(QString::fromLatin1(file.resource));
        if (request->path == file.path && resource.open(QIODevice::ReadOnly)) {
            answer(socket, "200 OK", file.type, resource.readAll().replace("{nonce}", nonce_));
            return;
        }
    }
    answer(socket, "404 Not Found", "text/plain", "nothing of that name\n");
}

void LiveServer::answer(QTcpSocket* socket, const QByteArray& status, const QByteArray& type, const QByteArray& body) {
    socket->readAll();
    socket->write(
        "HTTP/1.1 " + status + "\r\nContent-Type: " + type + "\r\nContent-Length: " + QByteArray::number(body.size()) +
        "\r\nConnection: close\r\nCache-Control: no-store\r\nX-Content-Type-Options: nosniff\r\n"
        "Referrer-Policy: no-referrer\r\nX-Frame-Options: DENY\r\nContent-Security-Policy: default-src 'self'; "
        "img-src 'self' blob: data:; connect-src 'self' blob: data: ws://127.0.0.1:" +
        QByteArray::number(port()) + "; script-src 'self' 'nonce-" + nonce_ + "'; frame-ancestors 'none'\r\n\r\n");
    socket->write(body);
    socket->disconnectFromHost();
}

void LiveServer::turn_away(QWebSocket* socket, const QString& why) {
    socket->setProperty("settled", true);
    count_refusal(why);
    socket->sendTextMessage(QString::fromStdString(refused_message(why.toStdString())));
    socket->close(QWebSocketProtocol::CloseCodePolicyViolated);
    // A peer that does not answer the closing is left all the same.
    QTimer::singleShot(patience_ms, socket, [socket] {
        socket->abort();
        socket->deleteLater();
    });
}

void LiveServer::greet(QWebSocket* socket) {
    socket->setMaxAllowedIncomingMessageSize(longest_listener_message);
    socket->setMaxAllowedIncomingFrameSize(longest_listener_message);
    connect(socket, &QWebSocket::disconnected, socket, &QObject::deleteLater);
    QTimer::singleShot(patience_ms, socket, [this, socket, greeted = QPointer(socket)] {
        if (greeted && !socket->property("settled").toBool()) {
            turn_away(socket, tr("it did not say who it is"));
        }
    });
    connect(socket, &QWebSocket::binaryMessageReceived, this, [this, socket] {
        disconnect(socket, nullptr, this, nullptr);
        turn_away(socket, tr("a listener sends no files"));
    });
    connect(socket, &QWebSocket::textMessageReceived, this, [this, socket](const QString& text) {
        disconnect(socket, nullptr, this, nullptr);
        const Result<ListenerMessage> message = listener_message(text.toStdString());
        const ListenerHello* hello = message ? std::get_if<ListenerHello>(&*message) : nullptr;
        if (hello == nullptr) {
            turn_away(socket, message ? tr("it did not say who it is") : localized(message.problem().sentence()));
        } else if (hello->token != token_.toStdString()) {
            turn_away(socket, tr("its token is not the one of this session"));
        } else {
            socket->setProperty("settled", true);
            Q_EMIT joined(socket, *hello);
        }
    });
}

} // namespace wembrix::app
