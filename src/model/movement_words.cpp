// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/movement_words.h"

#include "base/quantity.h"
#include "base/say.h"
#include "base/song_time.h"

#include <algorithm>
#include <cmath>
#include <sstream>

namespace puretone {

namespace {

struct SourceWord {
    const char* word; ///< As typed.
    SourceKind kind;
};
constexpr SourceWord sourceWords[] = {{"mod wheel", SourceKind::wheel},
    {"modwheel", SourceKind::wheel}, {"wheel", SourceKind::wheel}, {"bend", SourceKind::bend},
    {"pressure", SourceKind::pressure}, {"aftertouch", SourceKind::pressure},
    {"release touch", SourceKind::releaseTouch}, {"release velocity", SourceKind::releaseTouch},
    {"touch", SourceKind::touch}, {"velocity", SourceKind::touch}, {"key", SourceKind::key},
    {"keys", SourceKind::key}, {"level envelope", SourceKind::levelEnvelope},
    {"second envelope", SourceKind::secondEnvelope}, {"envelope", SourceKind::secondEnvelope},
    {"chance", SourceKind::random}, {"random", SourceKind::random}, {"turn", SourceKind::turn},
    {"noise", SourceKind::noise}};

struct TargetWord {
    const char* word;
    Target target;
};
constexpr TargetWord targetWords[] = {{"pitch", Target::pitch}, {"level", Target::level},
    {"loudness", Target::level}, {"volume", Target::level}, {"pan", Target::pan},
    {"place", Target::pan}, {"cutoff", Target::cutoff}, {"filter", Target::cutoff},
    {"resonance", Target::resonance}, {"drive", Target::drive}, {"start", Target::start},
    {"loop", Target::loopPlace}, {"ring", Target::ring}, {"shake", Target::ring},
    {"moment", Target::place}, {"grain size", Target::grainSize}, {"grains", Target::grainSize},
    {"scatter", Target::scatter}, {"wandering", Target::drift}, {"blend", Target::blend},
    {"speed", Target::waveRate}, {"depth", Target::waveDepth}, {"attack", Target::attack},
    {"decay", Target::decay}, {"release", Target::release}};

struct ShapeWord {
    const char* word;
    Wave::Shape shape;
};
constexpr ShapeWord shapeWords[] = {{"sine", Wave::Shape::sine},
    {"triangle", Wave::Shape::triangle}, {"saw up", Wave::Shape::sawUp},
    {"saw down", Wave::Shape::sawDown}, {"saw", Wave::Shape::sawUp},
    {"square", Wave::Shape::square}, {"steps", Wave::Shape::steps}, {"drift", Wave::Shape::drift},
    {"wave", Wave::Shape::sine}, {"lfo", Wave::Shape::sine}};

std::string lowered(std::string text)
{
    std::transform(text.begin(), text.end(), text.begin(),
        [](unsigned char c) { return c < 128 ? char(std::tolower(c)) : char(c); });
    return text;
}

/// The words of a sentence that is being read, taken from its front.
class Words {
public:
    explicit Words(const std::string& text)
    {
        std::istringstream stream(text);
        for (std::string word; stream >> word;) {
            for (const char* swings : {"\xC2\xB1", "+"})
                if (word.starts_with(swings))
                    word.erase(0, std::string_view(swings).size());
            if (word.starts_with("\xE2\x88\x92")) // as a minus is set
                word.replace(0, 3, "-");
            while (word.size() > 1 && (word.back() == ',' || word.back() == '.'))
                word.pop_back();
            words_.push_back(lowered(word));
        }
    }
    bool empty() const { return at_ >= words_.size(); }
    std::string next() const { return empty() ? std::string() : words_[at_]; }
    /// Takes a phrase of one word or several.
    bool take(const std::string& phrase)
    {
        std::istringstream stream(phrase);
        auto at = at_;
        for (std::string word; stream >> word; ++at)
            if (at >= words_.size() || words_[at] != word)
                return false;
        at_ = at;
        return true;
    }
    /// The same in the language of the program, or in English.
    bool takeMeant(const char* phrase)
    {
        return take(lowered(say(phrase))) || take(lowered(phrase));
    }
    /// Takes a number, and its unit where it has one, also without a space between them.
    std::optional<std::pair<double, std::string>> takeQuantity()
    {
        if (empty())
            return std::nullopt;
        std::string digits, unit;
        for (const char c : words_[at_]) {
            const bool numeric =
                (c >= '0' && c <= '9') || c == '.' || c == ',' || c == '-' || c == '+';
            (numeric && unit.empty() ? digits : unit) += c;
        }
        if (digits.empty())
            return std::nullopt;
        const auto number = parseNumber(digits, "");
        if (!number)
            return std::nullopt;
        ++at_;
        static constexpr const char* units[] = {"oct", "octaves", "octave", "st", "semitones",
            "semitone", "ct", "cents", "db", "%", "percent", "ms", "s", "hz", "beat", "beats",
            "bar", "bars"};
        for (const char* known : units) {
            if (unit == lowered(say(known)))
                unit = known;
            if (unit.empty() && takeMeant(known))
                unit = known;
        }
        return std::pair(*number, unit);
    }
    /// Takes "1/8" or "1/8 triplet". @return Beats.
    std::optional<double> takeNoteLength()
    {
        if (next().find('/') == std::string::npos)
            return std::nullopt;
        for (const int count : {2, 1}) {
            const auto end = std::min(words_.size(), at_ + std::size_t(count));
            std::string text;
            for (auto at = at_; at < end; ++at)
                text += words_[at];
            if (const auto length = parseSongTime(text); length && isInBeats(*length)) {
                at_ = end;
                return -*length;
            }
        }
        return std::nullopt;
    }

private:
    std::vector<std::string> words_;
    std::size_t at_ = 0;
};

/// How fast a wave is, where that is said. What counts in another unit is left to be complained of.
void takeSpeed(Words& words, Wave& wave)
{
    if (const auto beats = words.takeNoteLength()) {
        wave.beats = *beats;
        return;
    }
    Words ahead = words;
    const auto speed = ahead.takeQuantity();
    if (!speed)
        return;
    const auto& [value, unit] = *speed;
    if (unit.rfind("beat", 0) == 0)
        wave.beats = value;
    else if (unit.rfind("bar", 0) == 0)
        wave.beats = 4.0 * value;
    else if (unit.empty() || unit == "hz")
        wave.hz = value;
    else if ((unit == "s" || unit == "ms") && value > 0.0)
        wave.hz = (unit == "s" ? 1.0 : 1000.0) / value;
    else
        return;
    words = ahead;
}

std::optional<Source> takeSource(Words& words, std::optional<Wave>& wave)
{
    for (const auto& [word, kind] : sourceWords)
        if (words.takeMeant(word))
            return Source{kind, 0};
    if (words.takeMeant("controller") || words.take("cc")) {
        const auto number = words.takeQuantity();
        if (!number || number->first < 0.0 || number->first > 127.0)
            return std::nullopt;
        return Source{SourceKind::controller, int(number->first)};
    }
    for (const auto& [word, shape] : shapeWords)
        if (words.takeMeant(word)) {
            wave = Wave{};
            wave->shape = shape;
            takeSpeed(words, *wave);
            return Source{SourceKind::wave, 0};
        }
    return std::nullopt;
}

/// An amount as typed, in the units that a target counts in; nothing for a unit that is not its
/// own.
std::optional<double> amountIn(Target target, double value, const std::string& unit)
{
    const auto& facts = factsOf(target);
    const std::string own = facts.unit;
    if (unit.empty())
        return value / facts.scale;
    if (target == Target::pitch) {
        if (unit.rfind("oct", 0) == 0)
            return 12.0 * value;
        if (unit == "ct" || unit == "cents")
            return value / 100.0;
        if (unit == "st" || unit.rfind("semitone", 0) == 0)
            return value;
        return std::nullopt;
    }
    if (own == "ms" && (unit == "s" || unit == "ms"))
        return unit == "s" ? value : value / 1000.0;
    if (own == "oct" && unit.rfind("oct", 0) == 0)
        return value;
    if (own == "dB" && unit == "db")
        return value;
    if (own.empty() && (unit == "%" || unit == "percent"))
        return value / 100.0;
    return std::nullopt;
}

std::string capital(std::string text)
{
    if (!text.empty())
        text[0] = char(std::toupper(static_cast<unsigned char>(text[0])));
    return text;
}

bool follows(const Movement& m, int wave)
{
    const Source wanted{SourceKind::wave, wave};
    return m.source == wanted || m.by == wanted
        || ((m.target == Target::waveRate || m.target == Target::waveDepth) && m.number == wave);
}

} // namespace

std::string waveName(const Wave& wave)
{
    std::string name = "sine";
    for (const auto& [word, shape] : shapeWords)
        if (shape == wave.shape) {
            name = word;
            break;
        }
    if (wave.beats == 1.0)
        return say("%1, 1 beat", say(name.c_str()));
    if (wave.beats > 0.0)
        return say(
            "%1, %2 beats", say(name.c_str()), formatNumber(wave.beats, wave.beats < 1.0 ? 3 : 1));
    return say(name.c_str()) + ", " + formatNumber(wave.hz, wave.hz < 10.0 ? 2 : 0) + " Hz";
}

std::string sourceName(const Source& source, const std::array<Wave, mostWaves>& waves)
{
    switch (source.kind) {
    case SourceKind::none:
        return say("nothing");
    case SourceKind::wheel:
        return say("mod wheel");
    case SourceKind::random:
        return say("chance");
    case SourceKind::controller:
        return say("controller %1", source.number);
    case SourceKind::wave:
        return waveName(waves[std::size_t(source.number)]);
    default:
        break;
    }
    for (const auto& [word, kind] : sourceWords)
        if (kind == source.kind)
            return say(word);
    return {};
}

std::string amountText(const Movement& m)
{
    const auto& facts = factsOf(m.target);
    const double shown = m.amount * facts.scale;
    const std::string sign = isTwoSided(m.source) ? "\xC2\xB1" : shown < 0.0 ? "-" : "+";
    std::string number = formatNumber(std::abs(shown), facts.decimals);
    return sign + number + " " + (facts.unit[0] == '\0' ? "%" : say(facts.unit));
}

namespace {

/// As a sentence says what is moved: "opens the cutoff by".
bool takeVerb(Words& words, Movement& m)
{
    for (int target = 0; target < targetCount; ++target) {
        const auto& facts = factsOf(Target(target));
        if (Target(target) != Target::effect
            && (words.takeMeant(facts.verb) || words.takeMeant(facts.swinging))) {
            m.target = Target(target);
            return true;
        }
    }
    return false;
}

/// "echo mix", "reverb decay", and with several of a kind the first of them.
bool takeEffectValue(Words& words, const Effects& effects, Movement& m)
{
    for (const Effect& effect : effects) {
        Words ahead = words;
        const EffectFacts& facts = factsOf(effect.kind);
        if (!ahead.takeMeant(facts.word))
            continue;
        for (std::size_t p = 0; p < facts.parameters.size(); ++p)
            if (ahead.takeMeant(facts.parameters[p].label)) {
                words = ahead;
                m.target = Target::effect;
                m.number = EffectPlace{effect.id, int(p)}.number();
                return true;
            }
    }
    return false;
}

} // namespace

std::string effectValueName(const Effects& effects, int number)
{
    const auto [id, parameter] = EffectPlace::of(number);
    for (const Effect& effect : effects) {
        const EffectFacts& facts = factsOf(effect.kind);
        if (effect.id == id && std::size_t(parameter) < facts.parameters.size())
            return say(facts.word) + " "
                + lowered(say(facts.parameters[std::size_t(parameter)].label));
    }
    return {};
}

MovementSentence sentenceOf(const Layer& layer, const Movement& m, const Effects& effects)
{
    const auto& facts = factsOf(m.target);
    MovementSentence said;
    said.source = capital(sourceName(m.source, layer.waves));
    said.verb = say(isTwoSided(m.source) ? facts.swinging : facts.verb);
    if (m.target == Target::effect)
        if (const auto name = effectValueName(effects, m.number); !name.empty())
            said.verb =
                isTwoSided(m.source) ? say("moves the %1 by", name) : say("raises the %1 by", name);
    said.amount = amountText(m);
    if (m.by.kind != SourceKind::none)
        said.by = say("as far as %1 allows", sourceName(m.by, layer.waves));
    return said;
}

std::string MovementSentence::whole() const
{
    return source + " " + verb + " " + amount + (by.empty() ? "" : " " + by);
}

Result<NewMovement> parseMovement(const std::string& text, const Effects& effects, Manner manner)
{
    const std::string hint = say("Write a source, what it moves and how far: wheel cutoff 2 oct, "
                                 "or sine 5 Hz pitch 20 ct by "
                                 "pressure.");
    Words words(text);
    NewMovement made;
    const auto source = takeSource(words, made.wave);
    if (!source)
        return fail(ErrorCode::badValue,
            words.empty() ? say("Nothing is said to move.")
                          : say("\"%1\" moves nothing.", words.next()),
            hint);
    made.movement.source = *source;
    made.fromBelow = words.takeMeant("plays");
    bool found = takeVerb(words, made.movement);
    if (!found) {
        for (const char* verb : {"opens", "raises", "moves"})
            if (words.takeMeant(verb))
                break;
        words.takeMeant("the");
        found = takeEffectValue(words, effects, made.movement);
    }
    for (const auto& [word, target] : targetWords)
        if (!found && words.takeMeant(word)) {
            const bool ofMoment = manner == Manner::frozen && std::string_view(word) == "place";
            made.movement.target = ofMoment ? Target::place : target;
            found = true;
            break;
        }
    if (!found)
        return fail(ErrorCode::badValue,
            words.empty() ? say("It is not said what is moved.")
                          : say("\"%1\" cannot be moved.", words.next()),
            hint);
    const auto& facts = factsOf(made.movement.target);
    made.movement.amount = facts.usual;
    if (Words ahead = words; ahead.takeMeant("by") && ahead.takeQuantity())
        words.takeMeant("by");
    if (const auto quantity = words.takeQuantity()) {
        const auto amount = amountIn(made.movement.target, quantity->first, quantity->second);
        if (!amount)
            return fail(ErrorCode::badValue,
                say("The %1 is not moved by \"%2\".", say(facts.word), quantity->second), hint);
        made.movement.amount = std::clamp(*amount, -facts.most, facts.most);
    }
    if (words.takeMeant("by") || words.takeMeant("as far as")) {
        std::optional<Wave> wave;
        const auto by = takeSource(words, wave);
        if (!by || wave)
            return fail(ErrorCode::badValue, say("What allows it is not understood."), hint);
        words.takeMeant("allows");
        made.movement.by = *by;
    }
    if (!words.empty())
        return fail(ErrorCode::badValue, say("\"%1\" is not understood.", words.next()), hint);
    return made;
}

Result<std::size_t> addMovement(Layer& layer, const NewMovement& wanted)
{
    if (layer.movements.size() >= mostMovements)
        return fail(ErrorCode::badValue, say("A layer has room for %1 movements.", mostMovements),
            say("Take one away first."));
    Movement made = wanted.movement;
    if (wanted.wave) {
        int place = 0;
        const auto taken = [&](int wave) {
            return std::any_of(layer.movements.begin(), layer.movements.end(),
                [&](const Movement& m) { return follows(m, wave); });
        };
        while (place < mostWaves && taken(place))
            ++place;
        if (place == mostWaves)
            return fail(ErrorCode::badValue,
                say("All four waves of the layer are followed by movements already."),
                say("Take one away, or let this one follow a wave that is there."));
        layer.waves[std::size_t(place)] = *wanted.wave;
        made.source.number = place;
    }
    if (wanted.fromBelow && !isTwoSided(made.source))
        keepSounding(layer, made, 1.0);
    layer.movements.push_back(made);
    return layer.movements.size() - 1;
}

const std::vector<ReadyMovement>& readyMovements()
{
    static const std::vector<ReadyMovement> list = [] {
        const Movement none;
        Movement wheel = none, loudness = none, touch = none, drift = none, vibrato = none;
        wheel.source = {SourceKind::wheel, 0};
        wheel.target = Target::cutoff;
        wheel.amount = 3.0;
        loudness.source = wheel.source;
        loudness.target = Target::level;
        loudness.amount = 36.0;
        touch.source = {SourceKind::touch, 0};
        touch.target = Target::level;
        touch.amount = 12.0;
        drift.source = vibrato.source = {SourceKind::wave, 0};
        drift.target = vibrato.target = Target::pitch;
        drift.amount = 0.08;
        vibrato.amount = 0.25;
        Wave slow, shaking;
        slow.shape = Wave::Shape::drift;
        slow.hz = 0.4;
        shaking.hz = 5.2;
        shaking.delaySeconds = 0.5;
        shaking.fadeSeconds = 0.4;
        return std::vector<ReadyMovement>{{"Wheel to cutoff", {wheel, std::nullopt}},
            {"Wheel plays the loudness", {loudness, std::nullopt, true}},
            {"Touch to level", {touch, std::nullopt}}, {"Slow drift of pitch", {drift, slow}},
            {"Vibrato after half a second", {vibrato, shaking}}};
    }();
    return list;
}

void keepSounding(Layer& layer, const Movement& added, double value)
{
    const double moved = added.amount * bentBy(added.curve, value);
    const auto give = [&](double& base, double low, double high) {
        base = std::clamp(base - moved, low, high);
    };
    switch (added.target) {
    case Target::cutoff:
        layer.filter.hz = std::clamp(layer.filter.hz * std::exp2(-moved), 16.0, 20000.0);
        break;
    case Target::level:
        give(layer.levelDb, -60.0, 24.0);
        break;
    case Target::pan:
        give(layer.pan, -1.0, 1.0);
        break;
    case Target::resonance:
        give(layer.filter.resonance, 0.0, 1.0);
        break;
    case Target::drive:
        give(layer.filter.driveDb, 0.0, 36.0);
        break;
    case Target::place:
        give(layer.frozen.place, 0.0, 1.0);
        break;
    case Target::scatter:
        give(layer.frozen.scatterSeconds, 0.0, 1.0);
        break;
    case Target::drift:
        give(layer.frozen.drift, -1.0, 1.0);
        break;
    case Target::grainSize:
        layer.frozen.sizeSeconds =
            std::clamp(layer.frozen.sizeSeconds * std::exp2(-moved), 0.001, 0.5);
        break;
    default:
        break; // pitch is known by ear, and the rest is heard with the next note
    }
}

} // namespace puretone
