// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <string>
#include <type_traits>
#include <vector>

// What the core says to people goes through here: a message id, which is the English sentence with
// %1 to %9 where values stand, and the values. Ids are what catalogues of translations are asked
// for (as in GNU gettext and Qt), so that other languages may put the values in another order.
// tools/update-translations finds every id that is written inside say(), text() and message().
namespace puretone {

/// Gives a message in another language; empty where there is none.
using Translator = std::function<std::string(const char* id)>;

/// Before any thread says something. @param translator Empty: English.
void setTranslator(Translator translator);

/// A message in the language of the program, with its values.
std::string sayWith(const char* id, const std::vector<std::string>& values);

/// Marks a message that is said later, by say().
constexpr const char* text(const char* id)
{
    return id;
}

template <class Value> std::string saidValue(const Value& value)
{
    if constexpr (std::is_arithmetic_v<Value>) {
        static_assert(std::is_integral_v<Value>, "say how many digits: formatNumber");
        return std::to_string(value);
    } else {
        return std::string(value);
    }
}

/// What an analysis has to say: messages one behind the other, said when somebody looks.
class Message {
public:
    Message() = default;
    Message(const char* id, std::vector<std::string> values)
        : parts_{{id, std::move(values)}}
    {
    }
    struct Part {
        std::string id;
        std::vector<std::string> values;
        bool operator==(const Part&) const = default;
    };
    explicit Message(std::vector<Part> parts)
        : parts_(std::move(parts))
    {
    }
    bool empty() const { return parts_.empty(); }
    const std::vector<Part>& parts() const { return parts_; }
    Message& operator+=(const Message& more)
    {
        parts_.insert(parts_.end(), more.parts_.begin(), more.parts_.end());
        return *this;
    }
    /// In the language of the program.
    std::string said() const
    {
        std::string said;
        for (const auto& part : parts_)
            said += sayWith(part.id.c_str(), part.values);
        return said;
    }
    bool operator==(const Message&) const = default;

private:
    std::vector<Part> parts_;
};

template <class... Values> Message message(const char* id, const Values&... values)
{
    return {id, {saidValue(values)...}};
}

template <class... Values> std::string say(const char* id, const Values&... values)
{
    return sayWith(id, {saidValue(values)...});
}

} // namespace puretone
