// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/say.h"

#include <catch2/catch.hpp>

using namespace puretone;

namespace {

/// English again at the end.
struct Speaking {
    explicit Speaking(Translator translator) { setTranslator(std::move(translator)); }
    ~Speaking() { setTranslator({}); }
    Speaking(const Speaking&) = delete;
    Speaking& operator=(const Speaking&) = delete;
};

} // namespace

TEST_CASE("a message is said with its values in place", "[base][say]")
{
    CHECK(say("Nothing.") == "Nothing.");
    CHECK(say("%1 of %2 takes", 3, std::size_t(12)) == "3 of 12 takes");
    CHECK(say("%2 before %1, and %1 again", "a", std::string("b")) == "b before a, and a again");
    // What a value says is no place for another one, and a percent sign is one.
    CHECK(say("%1 and %2", "%2", "x") == "%2 and x");
    CHECK(say("drift %1 %", "40") == "drift 40 %");
    CHECK(say("100 %") == "100 %");
    CHECK(say("%3", "a") == "%3");
    CHECK(say("").empty());
}

TEST_CASE("another language may turn values round; what it lacks is said in English", "[base][say]")
{
    const Speaking german([](const char* id) {
        return std::string(id) == "%1 of %2" ? std::string("von %2 sind es %1") : std::string();
    });
    CHECK(say("%1 of %2", 3, 4) == "von 4 sind es 3");
    CHECK(say("unknown %1", 1) == "unknown 1");
}

TEST_CASE("what an analysis has to say is said when somebody looks", "[base][say]")
{
    Message reason = message("seamless");
    reason += message("; holds %1 dB below the attack", "12");
    const Message same = reason;
    CHECK(reason.said() == "seamless; holds 12 dB below the attack");
    {
        const Speaking german([](const char* id) {
            return std::string(id) == "seamless" ? std::string("nahtlos") : std::string();
        });
        CHECK(reason.said() == "nahtlos; holds 12 dB below the attack");
    }
    CHECK(reason == same);
    CHECK(Message().empty());
    CHECK_FALSE(reason.empty());
}
