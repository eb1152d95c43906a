// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/say.h"

namespace puretone {

namespace {

Translator& language()
{
    static Translator translator;
    return translator;
}

} // namespace

void setTranslator(Translator translator)
{
    language() = std::move(translator);
}

std::string sayWith(const char* id, const std::vector<std::string>& values)
{
    std::string message = language() && *id != '\0' ? language()(id) : std::string();
    if (message.empty())
        message = id;
    // In one pass: what a value says is no place for another one.
    std::string said;
    for (std::size_t i = 0; i < message.size(); ++i) {
        const bool place = message[i] == '%' && i + 1 < message.size() && message[i + 1] >= '1'
            && message[i + 1] <= '9';
        const auto number = place ? std::size_t(message[i + 1] - '1') : values.size();
        if (number < values.size()) {
            said += values[number];
            ++i;
        } else {
            said += message[i];
        }
    }
    return said;
}

} // namespace puretone
