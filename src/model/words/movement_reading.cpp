// SPDX-License-Identifier: GPL-3.0-or-later
// Sentences that people write.
#include "model/words/movement_words.h"

#include "base/quantity.h"
#include "base/say.h"
#include "base/song_time.h"
#include "model/words/movement_vocabulary.h"

#include <algorithm>
#include <sstream>

namespace puretone {

namespace {

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
bool takeSpeed(Words& words, Wave& wave)
{
    if (const auto beats = words.takeNoteLength()) {
        wave.beats = *beats;
        return true;
    }
    Words ahead = words;
    const auto speed = ahead.takeQuantity();
    if (!speed)
        return false;
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
        return false;
    words = ahead;
    return true;
}

std::optional<Source> takeSource(Words& words, std::optional<Wave>& wave)
{
    for (const auto& [word, kind] : sourceWords)
        if (words.takeMeant(word)) {
            // What has a speed is no hiss and no throw for each note, but a wave.
            Wave slow;
            slow.shape = kind == SourceKind::noise ? Wave::Shape::drift : Wave::Shape::steps;
            if ((kind == SourceKind::noise || kind == SourceKind::random)
                && takeSpeed(words, slow)) {
                wave = slow;
                return Source{SourceKind::wave, 0};
            }
            return Source{kind, 0};
        }
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

} // namespace puretone
