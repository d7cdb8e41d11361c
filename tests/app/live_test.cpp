// The live hand-over through the real window: who gets in, what they get, what they say, and the pose at the clock.
#include "core/delivery/manifest.h"
#include "core/measure/scene/bounds.h"
#include "live/live_hub.h"
#include "stations/deliver/live_window.h"
#include "window_fixture.h"

#include <QFile>
#include <QJsonArray>
#include <QJsonDocument>
#include <QJsonObject>
#include <QProcess>
#include <QSignalSpy>
#include <QStandardPaths>
#include <QTcpSocket>
#include <QWebSocket>
#include <random>

namespace wembrix::app {
namespace {

QByteArray as_text(const QJsonObject& object) {
    return QJsonDocument(object).toJson(QJsonDocument::Compact);
}

/// A listener as anybody could write one: it reads what it gets with a reader, and poses what it read.
class Listener {
  public:
    explicit Listener(const QString& origin = QString()) : socket(origin) {
        QObject::connect(&socket, &QWebSocket::textMessageReceived, &socket, [this](const QString& text) {
            said.push_back(QJsonDocument::fromJson(text.toUtf8()).object());
            hear(said.back());
        });
        QObject::connect(&socket, &QWebSocket::binaryMessageReceived, &socket, [this](const QByteArray& part) {
            bytes += part;
            const QJsonObject file = coming;
            if (bytes.size() < file[QStringLiteral("bytes")].toInteger()) {
                tell({{"message", "more"}, {"file", file["file"]}, {"from", bytes.size()}});
                return;
            }
            take(file);
        });
        QObject::connect(&socket, &QWebSocket::disconnected, &socket, [this] { ended = true; });
    }
    void join(const LiveServer& server, QJsonObject more = {}, const QString& token = QString()) {
        QObject::connect(&socket, &QWebSocket::connected, &socket, [this, &server, more, token] {
            QJsonObject hello{{"message", "hello"},
                              {"version", 1},
                              {"token", token.isEmpty() ? server.token() : token},
                              {"name", "test"},
                              {"project", "marsh"}};
            for (auto it = more.begin(); it != more.end(); ++it) {
                hello[it.key()] = it.value();
            }
            tell(hello);
        });
        socket.open(QUrl(QStringLiteral("ws://127.0.0.1:%1/live").arg(server.port())));
    }
    void tell(const QJsonObject& object) { socket.sendTextMessage(QString::fromUtf8(as_text(object))); }
    [[nodiscard]] const QJsonObject* last(const char* message) const {
        for (auto it = said.rbegin(); it != said.rend(); ++it) {
            if ((*it)["message"] == QLatin1String(message)) {
                return &*it;
            }
        }
        return nullptr;
    }
    [[nodiscard]] int count(const char* message) const {
        return static_cast<int>(std::count_if(said.begin(), said.end(), [&](const QJsonObject& one) {
            return one["message"] == QLatin1String(message);
        }));
    }

    QWebSocket socket;
    std::vector<QJsonObject> said;
    QByteArray bytes;
    QJsonObject coming;
    std::map<QString, Scene> held; ///< by deliverable
    double makes_taller = 1;       ///< an engine that reads another unit
    bool answers = true;
    bool ended = false;

  private:
    void hear(const QJsonObject& message) {
        if (message["message"] == QLatin1String("file")) {
            coming = message;
            bytes.clear();
        } else if (message["message"] == QLatin1String("kept")) {
            tell({{"message", "made"}, {"file", message["file"]}, {"made", QJsonObject()}});
        } else if (message["message"] == QLatin1String("pose") && message.contains("ask")) {
            answer_pose(message);
        }
    }
    void take(const QJsonObject& file) {
        QTemporaryDir folder;
        const QString path = folder.filePath(QStringLiteral("one.glb"));
        QFile out(path);
        ASSERT_TRUE(out.open(QIODevice::WriteOnly));
        out.write(bytes);
        out.close();
        Result<Scene> scene = read_scene(path.toStdString());
        ASSERT_TRUE(scene.ok());
        if (answers) {
            tell({{"message", "made"}, {"file", file["file"]}, {"made", describe(*scene)}});
        }
        held[file["deliverable"].toString()] = scene.take();
    }
    [[nodiscard]] QJsonObject describe(const Scene& scene) const {
        QJsonArray bones;
        const std::vector<Mat4> world = rest_world(scene);
        for (const int joint : joints_of(scene)) {
            const Vec3 at = world[static_cast<size_t>(joint)].block<3, 1>(0, 3) * makes_taller;
            bones.append(QJsonArray{at.x(), at.y(), at.z()});
        }
        QJsonArray clips;
        for (const Clip& clip : scene.clips) {
            clips.append(QJsonObject{{"name", QString::fromStdString(clip.name)}, {"seconds", clip.seconds}});
        }
        size_t shapes = 0;
        Bounds bounds;
        for (const int node : surfaces_of(scene)) {
            const Node& own = scene.nodes[static_cast<size_t>(node)];
            const Mesh& mesh = scene.meshes[static_cast<size_t>(own.mesh)];
            shapes += mesh.shapes.size();
            for (const Primitive& primitive : mesh.primitives) {
                for (const auto& triangle : triangles_of(mesh, primitive)) {
                    for (const uint32_t point : triangle) {
                        const Vec3 at = mesh.positions[point].cast<double>();
                        bounds.add(
                            own.skin >= 0 ? at : Vec3((world[static_cast<size_t>(node)] * at.homogeneous()).head<3>()));
                    }
                }
            }
        }
        QJsonObject made{{"bones", bones}, {"clips", clips}, {"shapes", static_cast<qint64>(shapes)}};
        if (!surfaces_of(scene).empty()) {
            made["bounds"] = QJsonArray{QJsonArray{bounds.low.x(), bounds.low.y(), bounds.low.z()},
                                        QJsonArray{bounds.high.x(), bounds.high.y(), bounds.high.z()}};
        }
        return made;
    }
    /// Puts the joints of its model where the pose says, from the numbers alone.
    void answer_pose(const QJsonObject& pose) {
        const Scene& model = held.at(QStringLiteral("model"));
        std::vector<Mat4> local(model.nodes.size());
        for (size_t n = 0; n < model.nodes.size(); ++n) {
            local[n] = model.nodes[n].rest.matrix();
        }
        const QJsonArray names = last("joints")->value("names").toArray();
        const QJsonArray values = pose["joints"].toArray();
        std::vector<int> at;
        for (qsizetype j = 0; j < names.size(); ++j) {
            const QJsonArray v = values[j].toArray();
            Transform joint;
            joint.translation = {v[0].toDouble(), v[1].toDouble(), v[2].toDouble()};
            joint.rotation = Quat(v[6].toDouble(), v[3].toDouble(), v[4].toDouble(), v[5].toDouble());
            joint.scale = {v[7].toDouble(), v[8].toDouble(), v[9].toDouble()};
            at.push_back(model.find_node(names[j].toString().toStdString()));
            if (at.back() >= 0) {
                local[static_cast<size_t>(at.back())] = joint.matrix();
            }
        }
        std::vector<Mat4> world(model.nodes.size());
        for (size_t n = 0; n < model.nodes.size(); ++n) {
            const int parent = model.nodes[n].parent;
            world[n] = parent < 0 ? local[n] : Mat4(world[static_cast<size_t>(parent)] * local[n]);
        }
        QJsonArray places;
        for (const QJsonValue& one : pose["about"].toArray()) {
            const int node = at[static_cast<size_t>(one.toInt())];
            if (node < 0) {
                places.append(QJsonValue());
                continue;
            }
            const Vec3 place = world[static_cast<size_t>(node)].block<3, 1>(0, 3) * makes_taller;
            places.append(QJsonArray{place.x(), place.y(), place.z()});
        }
        tell({{"message", "posed"}, {"ask", pose["ask"]}, {"places", places}});
    }
};

class LiveHandOver : public Window {
  protected:
    void SetUp() override {
        with_drift = false;
        // Other halves of these tests run beside this one: each has a meeting place of its own.
        qputenv("XDG_RUNTIME_DIR", folder.path().toLocal8Bit());
        Window::SetUp();
    }
    void open_live() {
        open();
        mend();
        window->choose_station("deliver");
        QTest::mouseClick(child<QPushButton>("openLive"), Qt::LeftButton);
        dialog = window->findChild<LiveWindow*>();
        ASSERT_NE(dialog, nullptr);
        QTest::mouseClick(dialog->findChild<QPushButton*>(QStringLiteral("liveListen")), Qt::LeftButton);
        ASSERT_TRUE(window->live().is_open());
        destination = window->destination()->name;
    }
    [[nodiscard]] const LiveServer& server() const { return window->live().server(); }
    [[nodiscard]] size_t clips() const {
        return static_cast<size_t>(std::count_if(state().replay.prepared().clips.begin(),
                                                 state().replay.prepared().clips.end(),
                                                 [](const Clip& clip) { return clip.deliver; }));
    }
    /// All that a listener takes was made there, and each claim holds.
    bool all_made(const LiveListener& listener) {
        const auto& files = listener.files();
        return files.size() == 1 + clips() &&
               std::all_of(files.begin(), files.end(), [](const auto& file) { return file->holds(); });
    }
    [[nodiscard]] QString says(const LiveListener& listener) const {
        QString all;
        for (const auto& file : listener.files()) {
            all += QString::fromStdString(file->file.deliverable) + QStringLiteral(" ") +
                   QString::number(static_cast<int>(file->state)) + QStringLiteral(" ") + file->problem;
            for (const Claim& claim : file->claims) {
                all += QString::fromStdString(" | " + claim.name + ": " + claim.expected + " / " + claim.actual + " " +
                                              claim.detail);
            }
            all += QLatin1Char('\n');
        }
        return all;
    }
    /// The widest that a listener was apart at so many moments of a clip, drawn from a seed.
    double widest_apart(LiveListener& listener, const QString& clip, int moments, std::set<QString>* all = nullptr) {
        window->page<DeliverStation>().playback().choose(clip);
        EXPECT_EQ(window->clock().clip(), clip);
        std::mt19937 random(7);
        double widest = 0;
        for (int i = 0; i < moments; ++i) {
            const int before = listener.answers();
            const int frame = std::uniform_int_distribution<int>(0, window->clock().frames() - 1)(random);
            QElapsedTimer timer;
            timer.start();
            // Until the answer to a pose of this very moment is there.
            window->clock().go_to(frame);
            if (!wait_for(
                    [&] {
                        if (listener.answers() == before && timer.elapsed() > 300) {
                            timer.restart();
                            window->clock().go_to(frame == 0 ? 1 : frame - 1);
                            window->clock().go_to(frame);
                        }
                        return listener.answers() > before;
                    },
                    20)) {
                ADD_FAILURE() << "no answer at frame " << frame;
                return HUGE_VAL;
            }
            widest = std::max(widest, listener.pose_apart_mm().value_or(HUGE_VAL));
            if (all != nullptr) {
                all->insert(QString::number(frame));
            }
        }
        return widest;
    }
    LiveWindow* dialog = nullptr;
    std::string destination;
};

TEST_F(LiveHandOver, AListenerGetsModelAndClipsAndWhatItSaysIsShown) {
    open_live();
    Listener listener;
    listener.join(server());
    ASSERT_TRUE(wait_for([&] { return window->live().listeners().size() == 1; }));
    const LiveListener& there = *window->live().listeners().front();
    EXPECT_EQ(there.destination(), destination);
    ASSERT_TRUE(wait_for([&] { return all_made(there); })) << says(there).toStdString();
    ASSERT_NE(listener.last("welcome"), nullptr);
    EXPECT_EQ((*listener.last("welcome"))["job"], QStringLiteral("tansy"));
    // The window tells of it.
    auto* tree = dialog->findChild<QTreeWidget*>(QStringLiteral("liveListeners"));
    ASSERT_EQ(tree->topLevelItemCount(), 1);
    EXPECT_EQ(tree->topLevelItem(0)->text(0), QStringLiteral("test · marsh"));
    ASSERT_EQ(tree->topLevelItem(0)->childCount(), static_cast<int>(1 + clips()));
    EXPECT_TRUE(tree->topLevelItem(0)->child(0)->text(4).startsWith(QStringLiteral("✓"))) << says(there).toStdString();
    EXPECT_EQ(child<QPushButton>("openLive")->text(), QStringLiteral("Live: 1…"));
    // Once it is delivered, the arrival check has what the engine says beside what arrived.
    window->runner().deliver_cells({{destination, "model"}});
    ASSERT_TRUE(wait_for([&] {
        return !window->runner().is_running() && window->board().is_current() &&
               window->board().entry({destination, "model"})->state == CellState::arrived;
    }));
    DeliverStation& page = window->page<DeliverStation>();
    page.board_view().setCurrentIndex(page.board_rows().index_of({destination, "model"}));
    auto* claims = child<QTableWidget>("claims");
    ASSERT_TRUE(wait_for([&] { return !claims->isColumnHidden(3) && claims->rowCount() > 3; }));
    EXPECT_EQ(claims->horizontalHeaderItem(3)->text(), QStringLiteral("test"));
    QStringList engine;
    for (int row = 0; row < claims->rowCount(); ++row) {
        if (!claims->item(row, 3)->text().isEmpty()) {
            engine << claims->item(row, 0)->text();
        }
    }
    EXPECT_TRUE(engine.contains(QStringLiteral("Joints, in order"))) << engine.join(QLatin1Char('|')).toStdString();
    EXPECT_TRUE(engine.contains(QStringLiteral("Height")));
    listener.socket.close();
    ASSERT_TRUE(wait_for([&] { return window->live().listeners().empty(); }));
    EXPECT_TRUE(wait_for([&] { return claims->isColumnHidden(3); })) << "nobody says anything of it any more";
    EXPECT_EQ(child<QPushButton>("openLive")->text(), QStringLiteral("Live…"));
}

TEST_F(LiveHandOver, AnEngineThatTakesAnotherUnitIsFound) {
    open_live();
    Listener listener;
    listener.makes_taller = 100;
    listener.join(server());
    ASSERT_TRUE(wait_for([&] {
        return window->live().listeners().size() == 1 && !window->live().listeners().front()->files().empty() &&
               window->live().listeners().front()->file("model")->state == SentFile::State::made;
    }));
    EXPECT_FALSE(window->live().listeners().front()->file("model")->holds());
    auto* tree = dialog->findChild<QTreeWidget*>(QStringLiteral("liveListeners"));
    EXPECT_TRUE(tree->topLevelItem(0)->child(0)->text(4).startsWith(QStringLiteral("✗")));
}

TEST_F(LiveHandOver, ThePoseAtTheClockIsWhereTheListenerPutsIt) {
    open_live();
    Listener listener;
    listener.join(server());
    ASSERT_TRUE(wait_for(
        [&] { return window->live().listeners().size() == 1 && all_made(*window->live().listeners().front()); }));
    LiveListener& there = *window->live().listeners().front();
    const QString clip = QString::fromStdString(state().replay.prepared().clips.front().name);
    EXPECT_LT(widest_apart(there, clip, 40), 0.1) << "ten joints within 1e-4 m";
    // While it plays, poses keep coming.
    const int before = there.poses_sent();
    window->clock().set_playing(true);
    ASSERT_TRUE(wait_for([&] { return there.poses_sent() > before + 30; }));
    window->clock().set_playing(false);
    listener.makes_taller = 1.01;
    EXPECT_GT(widest_apart(there, clip, 3), 1) << "and a listener that puts them elsewhere is found out";
}

TEST_F(LiveHandOver, WhatChangesIsHandedOverAnew) {
    open_live();
    Listener one;
    Listener two;
    one.join(server());
    two.join(server(), {{"poses", false}, {"takes", QJsonArray{"model"}}});
    ASSERT_TRUE(wait_for([&] { return window->live().listeners().size() == 2; }));
    ASSERT_TRUE(wait_for([&] { return one.held.size() == 1 + clips() && two.held.size() == 1; }));
    const int files = one.count("file");
    const int models = two.count("file");
    dialog->findChild<QCheckBox*>(QStringLiteral("liveFollows"))->click();
    const std::string first = state().replay.prepared().clips.front().name;
    window->document().edit(QStringLiteral("rename"), [&](Job& job) {
        job.steps.push_back({"rename_clips", {{"rules", {{{"find", "^" + first + "$"}, {"replace", "promenade"}}}}}});
    });
    ASSERT_TRUE(wait_for([&] { return one.held.count(QStringLiteral("clip:promenade")) == 1; }));
    EXPECT_EQ(one.count("file"), files + 1) << "what did not change is not sent again";
    EXPECT_EQ(two.count("file"), models);
    EXPECT_EQ(two.count("pose"), 0) << "it wants none";
}

TEST_F(LiveHandOver, AConnectionThatIsLostGoesOnWithWhatIsThere) {
    open_live();
    QJsonArray has;
    {
        Listener listener;
        listener.join(server());
        ASSERT_TRUE(wait_for([&] { return listener.held.size() == 1 + clips(); }));
        for (const QJsonObject& one : listener.said) {
            if (one["message"] == QStringLiteral("file")) {
                has.append(one["content"]);
            }
        }
        listener.socket.abort(); // without a word
    }
    ASSERT_TRUE(wait_for([&] { return window->live().listeners().empty(); }));
    Listener again;
    again.join(server(), {{"has", has}});
    ASSERT_TRUE(wait_for([&] { return again.count("kept") == static_cast<int>(1 + clips()); }));
    EXPECT_EQ(again.count("file"), 0);
    // One that is cut off in the middle of a file leaves nothing behind that stops the next.
    Listener cut;
    cut.answers = false;
    cut.join(server());
    ASSERT_TRUE(wait_for([&] { return cut.last("file") != nullptr; }));
    cut.socket.abort();
    Listener last;
    last.join(server());
    EXPECT_TRUE(wait_for([&] { return last.held.size() == 1 + clips(); }));
}

TEST_F(LiveHandOver, StrangersDoNotGetIn) {
    open_live();
    const auto refused = [&](Listener& listener) {
        return wait_for([&] { return listener.ended; }, 20) && window->live().listeners().empty() &&
               listener.count("welcome") == 0 && listener.count("file") == 0;
    };
    {
        Listener page(QStringLiteral("https://a-page-of-somebody.example"));
        page.join(server());
        EXPECT_TRUE(refused(page)) << "a page of somebody else, though it knows the token";
    }
    {
        Listener guesser;
        guesser.join(server(), {}, QStringLiteral("0000"));
        EXPECT_TRUE(refused(guesser));
        ASSERT_NE(guesser.last("refused"), nullptr);
        EXPECT_TRUE((*guesser.last("refused"))["why"].toString().contains(QStringLiteral("token")));
    }
    {
        Listener newer;
        newer.join(server(), {{"version", 2}});
        EXPECT_TRUE(refused(newer));
        ASSERT_NE(newer.last("refused"), nullptr);
        EXPECT_TRUE((*newer.last("refused"))["why"].toString().contains(QStringLiteral("version 2")));
    }
    {
        Listener lost;
        lost.join(server(), {{"destination", "Nowhere"}});
        EXPECT_TRUE(refused(lost));
        ASSERT_NE(lost.last("refused"), nullptr);
        EXPECT_TRUE((*lost.last("refused"))["why"].toString().contains(QString::fromStdString(destination)))
            << "it says which there are";
    }
    {
        Listener huge;
        huge.join(server(), {{"padding", QString(5'000'000, QLatin1Char('x'))}});
        EXPECT_TRUE(refused(huge)) << "more than a listener may say";
    }
    {
        Listener silent;
        silent.socket.open(QUrl(QStringLiteral("ws://127.0.0.1:%1/live").arg(server().port())));
        EXPECT_TRUE(refused(silent)) << "whoever does not say who it is is not waited for";
    }
    // And by hand, as no browser would ask.
    const auto ask = [&](const QByteArray& request) {
        QTcpSocket socket;
        socket.connectToHost(QStringLiteral("127.0.0.1"), server().port());
        QByteArray answer;
        QObject::connect(&socket, &QTcpSocket::connected, &socket, [&] { socket.write(request); });
        QObject::connect(&socket, &QTcpSocket::readyRead, &socket, [&] { answer += socket.readAll(); });
        wait_for([&] { return socket.state() == QTcpSocket::UnconnectedState && !answer.isEmpty(); }, 10);
        return answer;
    };
    const QByteArray host = "Host: 127.0.0.1:" + QByteArray::number(server().port()) + "\r\n";
    EXPECT_TRUE(ask("GET / HTTP/1.1\r\n" + host + "\r\n").startsWith("HTTP/1.1 200"));
    EXPECT_FALSE(ask("GET / HTTP/1.1\r\n" + host + "\r\n").contains(server().token().toLatin1()))
        << "the page itself does not give the token away";
    EXPECT_TRUE(ask("GET / HTTP/1.1\r\nHost: rebound.example\r\n\r\n").startsWith("HTTP/1.1 403"));
    EXPECT_TRUE(ask("GET /../../etc/passwd HTTP/1.1\r\n" + host + "\r\n").startsWith("HTTP/1.1 404"));
    EXPECT_TRUE(ask("POST / HTTP/1.1\r\n" + host + "\r\n").startsWith("HTTP/1.1 400"));
    EXPECT_TRUE(ask("nonsense\r\n\r\n").startsWith("HTTP/1.1 400"));
    EXPECT_GE(server().refused(), 6);
    // Where it lies for listeners, nobody else can read it; and it is gone with the session.
    const QFileInfo meeting(LiveServer::meeting_file());
    ASSERT_TRUE(meeting.exists());
    EXPECT_FALSE(meeting.permission(QFile::ReadGroup) || meeting.permission(QFile::ReadOther));
    Listener guest;
    guest.join(server());
    ASSERT_TRUE(wait_for([&] { return guest.held.size() == 1 + clips(); })) << "the door is open to who is asked in";
    QTest::mouseClick(dialog->findChild<QPushButton*>(QStringLiteral("liveListen")), Qt::LeftButton);
    EXPECT_TRUE(wait_for([&] { return guest.ended; }));
    EXPECT_FALSE(QFileInfo::exists(LiveServer::meeting_file()));
}

TEST_F(LiveHandOver, MessagesThatMakeNoSenseEndTheConnectionAndNothingElse) {
    open_live();
    Listener good;
    good.join(server());
    ASSERT_TRUE(wait_for([&] { return good.held.size() == 1 + clips(); }));
    for (const char* nonsense : {"", "{", "[1]", R"({"message":"made"})", R"({"message":"more","file":1})"}) {
        Listener bad;
        bad.join(server());
        ASSERT_TRUE(wait_for([&] { return bad.last("welcome") != nullptr; }));
        bad.socket.sendTextMessage(QString::fromUtf8(nonsense));
        EXPECT_TRUE(wait_for([&] { return bad.ended; }, 20)) << nonsense;
    }
    {
        Listener odd;
        odd.join(server());
        ASSERT_TRUE(wait_for([&] { return odd.last("file") != nullptr; }));
        // Of files that are not its own, parts that do not come next, poses that nobody asked about: passed over.
        odd.tell({{"message", "more"}, {"file", 999}, {"from", 0}});
        odd.tell({{"message", "more"}, {"file", 1}, {"from", 1}});
        odd.tell({{"message", "made"}, {"file", 999}, {"made", QJsonObject()}});
        odd.tell({{"message", "posed"}, {"ask", 999}, {"places", QJsonArray()}});
        EXPECT_TRUE(wait_for([&] { return odd.held.size() == 1 + clips(); }));
        odd.socket.sendBinaryMessage("a listener sends no files");
        EXPECT_TRUE(wait_for([&] { return odd.ended; }, 20));
    }
    EXPECT_TRUE(wait_for([&] { return window->live().listeners().size() == 1; })) << "the other is still there";
}

TEST_F(LiveHandOver, TheAddOnIsPutIntoAProjectAndNowhereElse) {
    open_live();
    QTemporaryDir project;
    EXPECT_NE(LiveWindow::put_addon(project.path()), QString()) << "no project";
    EXPECT_TRUE(QDir(project.path()).isEmpty());
    QFile(project.filePath(QStringLiteral("project.godot"))).open(QIODevice::WriteOnly);
    EXPECT_EQ(LiveWindow::put_addon(project.path()), QString());
    EXPECT_TRUE(QFileInfo::exists(project.filePath(QStringLiteral("addons/wembrix_live/plugin.gd"))));
}

/// A program of somebody else's that listens; it ends with the test.
class Guest {
  public:
    Guest(const QString& program, const QStringList& arguments, const QString& home) {
        QProcessEnvironment environment = QProcessEnvironment::systemEnvironment();
        for (const char* name : {"HOME", "XDG_DATA_HOME", "XDG_CONFIG_HOME", "XDG_CACHE_HOME"}) {
            environment.insert(QString::fromLatin1(name), home);
        }
        environment.insert(QStringLiteral("WEMBRIX_LIVE"), LiveServer::meeting_file());
        process.setProcessEnvironment(environment);
        process.setProcessChannelMode(QProcess::MergedChannels);
        process.start(program, arguments);
    }
    ~Guest() {
        process.kill();
        process.waitForFinished(5000);
    }
    QProcess process;
};

TEST_F(LiveHandOver, AnEngineImportsShowsAnswersAndFollows) {
    const QString engine = QStandardPaths::findExecutable(QStringLiteral("godot3-server"));
    if (engine.isEmpty()) {
        GTEST_SKIP() << "godot3-server is not installed";
    }
    open_live();
    QTemporaryDir project;
    QFile settings(project.filePath(QStringLiteral("project.godot")));
    ASSERT_TRUE(settings.open(QIODevice::WriteOnly));
    settings.write("config_version=4\n\n[application]\nconfig/name=\"marsh\"\n\n[editor_plugins]\n"
                   "enabled=PoolStringArray( \"wembrix_live\" )\n");
    settings.close();
    ASSERT_EQ(LiveWindow::put_addon(project.path()), QString());
    Guest guest(engine, {QStringLiteral("--editor"), QStringLiteral("--path"), project.path()},
                project.filePath(QStringLiteral(".home")));
    ASSERT_TRUE(wait_for([&] { return window->live().listeners().size() == 1; }, 60))
        << guest.process.readAll().toStdString();
    LiveListener& there = *window->live().listeners().front();
    EXPECT_EQ(there.project(), QStringLiteral("marsh"));
    ASSERT_TRUE(wait_for([&] { return all_made(there); }, 120))
        << says(there).toStdString() << guest.process.readAll().toStdString();
    const QString clip = QString::fromStdString(state().replay.prepared().clips.front().name);
    const double apart = widest_apart(there, clip, 100);
    EXPECT_LT(apart, 0.1) << "joints within 1e-4 m at 100 moments";
    std::printf("the engine's joints: at most %.5f mm apart at 100 moments\n", apart);
}

/// What the page of a browser with that profile shows now, asked over its debugging protocol.
QImage seen_by(const QString& profile) {
    QFile place(profile + QStringLiteral("/DevToolsActivePort"));
    if (!place.open(QIODevice::ReadOnly)) {
        return {};
    }
    const quint16 port = place.readLine().trimmed().toUShort();
    QTcpSocket list;
    QByteArray told;
    list.connectToHost(QStringLiteral("127.0.0.1"), port);
    list.write("GET /json/list HTTP/1.1\r\nHost: 127.0.0.1:" + QByteArray::number(port) + "\r\n\r\n");
    wait_for(
        [&] {
            told += list.readAll();
            return told.contains("\r\n\r\n") && told.trimmed().endsWith(']');
        },
        20);
    const QJsonArray pages = QJsonDocument::fromJson(told.mid(told.indexOf("\r\n\r\n") + 4)).array();
    QWebSocket socket;
    QImage picture;
    QObject::connect(&socket, &QWebSocket::connected, &socket,
                     [&] { socket.sendTextMessage(QStringLiteral(R"({"id":1,"method":"Page.captureScreenshot"})")); });
    QObject::connect(&socket, &QWebSocket::textMessageReceived, &socket, [&](const QString& text) {
        const QJsonObject answer = QJsonDocument::fromJson(text.toUtf8()).object();
        picture.loadFromData(QByteArray::fromBase64(answer["result"]["data"].toString().toLatin1()));
    });
    for (const QJsonValue& page : pages) {
        if (page["type"].toString() == QStringLiteral("page")) {
            socket.open(QUrl(page["webSocketDebuggerUrl"].toString()));
            break;
        }
    }
    wait_for([&] { return !picture.isNull(); }, 30);
    return picture;
}

TEST_F(LiveHandOver, APageInABrowserShowsAnswersAndFollows) {
    const QString browser = QStandardPaths::findExecutable(QStringLiteral("chromium"));
    if (browser.isEmpty() || !LiveServer::has_page()) {
        GTEST_SKIP() << "chromium or the page is not there";
    }
    open_live();
    QTemporaryDir home;
    const QStringList options = {
        QStringLiteral("--headless=new"),          QStringLiteral("--no-sandbox"),
        QStringLiteral("--disable-gpu"),           QStringLiteral("--use-gl=angle"),
        QStringLiteral("--use-angle=swiftshader"), QStringLiteral("--enable-unsafe-swiftshader"),
        QStringLiteral("--hide-scrollbars"),       QStringLiteral("--window-size=1280,800")};
    Guest guest(browser,
                options + QStringList{QStringLiteral("--user-data-dir=") + home.filePath(QStringLiteral("profile")),
                                      QStringLiteral("--remote-debugging-port=0"), server().page().toString()},
                home.path());
    ASSERT_TRUE(wait_for([&] { return window->live().listeners().size() == 1; }, 60))
        << guest.process.readAll().toStdString();
    LiveListener& there = *window->live().listeners().front();
    EXPECT_EQ(there.name(), QStringLiteral("web page"));
    ASSERT_TRUE(wait_for([&] { return all_made(there); }, 90)) << says(there).toStdString();
    const QString clip = QString::fromStdString(state().replay.prepared().clips.front().name);
    const double apart = widest_apart(there, clip, 30);
    EXPECT_LT(apart, 0.1);
    std::printf("the page's joints: at most %.5f mm apart at 30 moments\n", apart);
    const QImage picture = seen_by(home.filePath(QStringLiteral("profile")));
    if (qEnvironmentVariableIsSet("WEMBRIX_PAGE_SHOT")) {
        picture.save(qEnvironmentVariable("WEMBRIX_PAGE_SHOT"));
        dialog->grab().save(qEnvironmentVariable("WEMBRIX_PAGE_SHOT") + QStringLiteral(".dialog.png"));
    }
    ASSERT_FALSE(picture.isNull());
    // The ground behind her is light; her body is where the page's view is.
    int dark = 0;
    for (int y = 60; y < picture.height() - 20; ++y) {
        for (int x = 20; x < picture.width() - 420; ++x) {
            dark += qGray(picture.pixel(x, y)) < 190 ? 1 : 0;
        }
    }
    EXPECT_GT(dark, 20'000) << "she is seen";
}

} // namespace
} // namespace wembrix::app
