// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/program/likeness.h"

#include "engine/program/program.h"

namespace puretone {

namespace {

double correlation(const ZoneSound& a, const ZoneSound& b)
{
    constexpr double seconds = 0.3;
    if (a.rate != b.rate)
        return 0.0;
    const CopyView first = a.recorded->copy(0), second = b.recorded->copy(0);
    const auto count = std::int64_t(std::min({seconds * a.rate, a.end - a.start, b.end - b.start}));
    double products = 0.0, ownFirst = 1e-30, ownSecond = 1e-30;
    for (std::int64_t i = 0; i < count; ++i) {
        const double x = double(first.left[std::int64_t(a.start) + i]);
        const double y = double(second.left[std::int64_t(b.start) + i]);
        products += x * y;
        ownFirst += x * x;
        ownSecond += y * y;
    }
    return std::clamp(products / std::sqrt(ownFirst * ownSecond), 0.0, 1.0);
}

bool fades(const Zone& zone)
{
    return zone.lowKeyFade + zone.highKeyFade + zone.lowVelocityFade + zone.highVelocityFade > 0;
}

class Finder {
public:
    Finder(Program& program, const KnownLikeness& before)
        : program_(program)
        , before_(before)
    {
    }
    void findFor(ProgramZone& zone)
    {
        for (int key = zone.lowKey; key <= zone.highKey; ++key)
            for (const auto index : program_.zonesOfKey[std::size_t(key)]) {
                const ProgramZone& other = program_.zones[index];
                if (other.layer == zone.layer && other.id() != zone.id()
                    && overlap(other.zone, zone.zone))
                    meet(zone, other, key);
            }
    }
    KnownLikeness found;

private:
    /// The neighbour lies behind each edge that it goes beyond.
    void meet(ProgramZone& zone, const ProgramZone& other, int key)
    {
        const Zone &z = zone.zone, &o = other.zone;
        const double alike = ofTwo(zone, other, key);
        const auto raise = [alike](double& edge, bool faded, bool behind) {
            if (faded && behind)
                edge = std::max(edge, alike);
        };
        raise(zone.alike.lowKey, key < z.lowKey + z.lowKeyFade, o.lowKey < z.lowKey);
        raise(zone.alike.highKey, key > z.highKey - z.highKeyFade, o.highKey > z.highKey);
        raise(zone.alike.lowVelocity, z.lowVelocityFade > 0, o.lowVelocity < z.lowVelocity);
        raise(zone.alike.highVelocity, z.highVelocityFade > 0, o.highVelocity > z.highVelocity);
    }
    double ofTwo(const ProgramZone& a, const ProgramZone& b, int key)
    {
        constexpr double oneSpeed = 0.01; // semitones
        if (std::abs(program_.semitones(a, key) - program_.semitones(b, key)) > oneSpeed)
            return 0.0;
        const auto which = std::minmax(a.sound, b.sound);
        const auto now = found.find(which);
        if (now != found.end())
            return now->second;
        const auto then = before_.find(which);
        return found[which] =
                   then != before_.end() ? then->second : correlation(*a.sound, *b.sound);
    }

    Program& program_;
    const KnownLikeness& before_;
};

} // namespace

void findLikeness(Program& program, KnownLikeness& known)
{
    Finder finder(program, known);
    for (auto& zone : program.zones)
        if (fades(zone.zone))
            finder.findFor(zone);
    known = std::move(finder.found);
}

} // namespace puretone
