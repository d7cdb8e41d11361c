#include "core/measure/clips/contacts.h"

#include "core/measure/skeleton/pose.h"
#include "core/measure/surface/weights.h"

#include <algorithm>
#include <cmath>

namespace wembrix {

std::vector<int> foot_joints(const Scene& scene, double height_m) {
    const std::vector<Mat4> world = rest_world(scene);
    const std::vector<Holding> held = holding_of(scene);
    const auto height = [&](int joint) { return world[static_cast<size_t>(joint)](1, 3); };
    std::vector<int> holding;
    for (const int joint : joints_of(scene)) {
        if (held[static_cast<size_t>(joint)].points > 0) {
            holding.push_back(joint);
        }
    }
    if (holding.empty()) {
        return {};
    }
    double lowest = height(holding[0]);
    for (const int joint : holding) {
        lowest = std::min(lowest, height(joint));
    }
    // The first of a chain that is down there stands for all below it: a foot, not each of its toes.
    std::vector<int> feet;
    std::vector<char> covered(scene.nodes.size(), 0); // a foot, or below one
    auto next = holding.begin();
    for (size_t n = 0; n < scene.nodes.size(); ++n) {
        const int parent = scene.nodes[n].parent;
        covered[n] = parent >= 0 ? covered[static_cast<size_t>(parent)] : 0;
        if (next != holding.end() && *next == static_cast<int>(n)) {
            if (covered[n] == 0 && height(*next) - lowest <= 0.12 * height_m) {
                feet.push_back(*next);
                covered[n] = 1;
            }
            ++next;
        }
    }
    std::stable_sort(feet.begin(), feet.end(), [&](int a, int b) { return height(a) < height(b); });
    feet.resize(std::min<size_t>(feet.size(), 8));
    std::sort(feet.begin(), feet.end());
    return feet;
}

std::vector<Contact> contacts_of_places(int joint, const std::vector<Vec3>& positions, double rate, double height_m,
                                        const ContactLimits& limits) {
    std::vector<Contact> contacts;
    const auto frames = static_cast<int>(positions.size());
    if (frames < 2) {
        return contacts;
    }
    const double low = limits.height_m > 0 ? limits.height_m : 0.02 * height_m;
    const double slow = limits.speed_m_s > 0 ? limits.speed_m_s : 0.2 * height_m;
    const auto over_ground = [](const Vec3& a, const Vec3& b) { return std::hypot(a.x() - b.x(), a.z() - b.z()); };
    double floor = positions[0].y();
    for (const Vec3& at : positions) {
        floor = std::min(floor, at.y());
    }
    int begin = -1;
    for (int f = 0; f <= frames; ++f) {
        bool stands = false;
        if (f < frames) {
            const int before = std::max(0, f - 1);
            const int after = std::min(frames - 1, f + 1);
            const double speed =
                over_ground(positions[static_cast<size_t>(before)], positions[static_cast<size_t>(after)]) * rate /
                (after - before);
            stands = positions[static_cast<size_t>(f)].y() - floor <= low && speed <= slow;
        }
        if (stands && begin < 0) {
            begin = f;
        } else if (!stands && begin >= 0) {
            if (f - begin >= limits.shortest) {
                Contact contact{joint, begin, f - 1, 0, begin};
                for (int k = begin; k < f; ++k) {
                    const double slide =
                        over_ground(positions[static_cast<size_t>(k)], positions[static_cast<size_t>(begin)]) * 1000;
                    if (slide > contact.slide_mm) {
                        contact.slide_mm = slide;
                        contact.slide_frame = k;
                    }
                }
                contacts.push_back(contact);
            }
            begin = -1;
        }
    }
    return contacts;
}

std::vector<Contact> contacts_of(const Scene& scene, const Clip& clip, const std::vector<int>& joints, double height_m,
                                 const ContactLimits& limits) {
    std::vector<Contact> contacts;
    const int frames = clip.frames();
    if (frames < 2 || joints.empty()) {
        return contacts;
    }
    std::vector<std::vector<Vec3>> places(joints.size());
    const Poser poser(scene, &clip);
    Pose pose;
    for (int f = 0; f < frames; ++f) {
        poser.at(f / clip.rate, pose);
        for (size_t j = 0; j < joints.size(); ++j) {
            places[j].emplace_back(pose.world[static_cast<size_t>(joints[j])].topRightCorner<3, 1>());
        }
    }
    for (size_t j = 0; j < joints.size(); ++j) {
        const std::vector<Contact> own = contacts_of_places(joints[j], places[j], clip.rate, height_m, limits);
        contacts.insert(contacts.end(), own.begin(), own.end());
    }
    return contacts;
}

} // namespace wembrix
