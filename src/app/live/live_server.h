// Where listeners of the live hand-over come in: on this machine alone, with the token, and never for a stranger's
// page.
#pragma once

#include "core/live/listener_messages.h"

#include <QObject>
#include <QTcpServer>
#include <QUrl>
#include <QWebSocketServer>

class QTcpSocket;
class QWebSocket;

namespace wembrix::app {

/// Listens on the loopback, at a port of its own, both for WebSockets at /live and for the page that is a listener. A
/// socket whose origin is a page of anybody else is turned away before it is one; one without the token after its first
/// message.
class LiveServer : public QObject {
    Q_OBJECT
  public:
    explicit LiveServer(QObject* parent = nullptr);
    ~LiveServer() override;

    /// False where it cannot; `problem` says why.
    bool open();
    void close();
    [[nodiscard]] bool is_open() const { return tcp_.isListening(); }
    [[nodiscard]] quint16 port() const { return tcp_.serverPort(); }
    [[nodiscard]] const QString& token() const { return token_; }
    [[nodiscard]] const QString& problem() const { return problem_; }
    /// The page that shows what it is handed, with its token.
    [[nodiscard]] QUrl page() const;
    /// Whether this program was built with what the page draws with.
    [[nodiscard]] static bool has_page();
    /// The file that tells listeners of this person where and with which token; only they may read it.
    [[nodiscard]] static QString meeting_file();
    /// How many were turned away since it was opened, and why the last one was.
    [[nodiscard]] int refused() const { return refused_; }
    [[nodiscard]] const QString& last_refusal() const { return last_refusal_; }
    /// Says why, counts it, and ends the connection.
    void turn_away(QWebSocket* socket, const QString& why);

  Q_SIGNALS:
    /// The socket is the receiver's from here on; it belongs to nobody else.
    void joined(QWebSocket* socket, const wembrix::ListenerHello& hello);
    void changed();

  private:
    void take(QTcpSocket* socket);
    void read_request(QTcpSocket* socket);
    void greet(QWebSocket* socket);
    void count_refusal(const QString& why);
    void answer(QTcpSocket* socket, const QByteArray& status, const QByteArray& type, const QByteArray& body);

    QTcpServer tcp_;
    QWebSocketServer sockets_;
    QString token_;
    QByteArray nonce_; ///< the page's own script
    QString problem_;
    QString last_refusal_;
    int refused_ = 0;
    int waiting_ = 0; ///< that have not said who they are
};

} // namespace wembrix::app
