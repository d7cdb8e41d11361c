// Motion that breaks: a joint pops, jumps, or the whole goes at another speed at once.
#include "core/measure/clips/breaks.h"
#include "core/base/text.h"
#include "core/findings/finding.h"
#include "core/measure/scene/bounds.h"

namespace wembrix {

std::vector<Finding> find_jumps(const FindingContext& context) {
    std::vector<Finding> findings;
    const double height = height_m(context.scene);
    for (const Clip& clip : context.scene.clips) {
        const std::optional<MotionBreak> found = worst_break(context.scene, clip, height);
        if (!found) {
            continue;
        }
        Finding finding;
        finding.grade = Grade::look;
        finding.where = clip.name;
        finding.clip = clip.name;
        finding.frame = found->frame;
        finding.nodes = {context.scene.nodes[static_cast<size_t>(found->joint)].name};
        switch (found->kind) {
        case MotionBreak::Kind::pop:
            finding.message = phrase("“{}” pops at frame {}", clip.name, found->frame);
            finding.reason = phrase("{} is {:.0f} mm away for that one frame, and back after it.", finding.nodes[0],
                                    found->metres * 1000);
            break;
        case MotionBreak::Kind::jump:
            finding.message = phrase("“{}” jumps at frame {}", clip.name, found->frame);
            finding.reason = phrase("{} goes {:.0f} mm in that one frame, and little before and after it.",
                                    finding.nodes[0], found->metres * 1000);
            break;
        case MotionBreak::Kind::speed:
            finding.message = phrase("“{}” changes speed at once at frame {}", clip.name, found->frame);
            finding.reason = phrase("{} goes from {:.1f} to {:.1f} m/s there.", finding.nodes[0], found->before_m_s,
                                    found->after_m_s);
            break;
        }
        finding.no_step = "cut the clip there, or ask for the capture anew";
        findings.push_back(std::move(finding));
    }
    return findings;
}

} // namespace wembrix
