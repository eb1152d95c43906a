// SPDX-License-Identifier: GPL-3.0-or-later
#include "formats/sfz/sfz_text.h"

#include "base/files/safe_file.h"
#include "base/say.h"

#include <algorithm>
#include <map>
#include <vector>

namespace puretone::sfz {

namespace fs = std::filesystem;

namespace {

constexpr std::size_t mostBytes = std::size_t(1) << 25U; ///< Of text, with all that is included.
constexpr std::size_t mostDeep = 16; ///< Files inside each other.

/// Comments become blanks; lines stay what they are.
std::string withoutComments(const std::string& text)
{
    std::string plain;
    plain.reserve(text.size());
    for (std::size_t at = 0; at < text.size();) {
        if (text.compare(at, 2, "//") == 0) {
            at = std::min(text.find('\n', at), text.size());
        } else if (text.compare(at, 2, "/*") == 0) {
            const auto end = text.find("*/", at + 2);
            plain += ' ';
            at = end == std::string::npos ? text.size() : end + 2;
        } else {
            plain += text[at++];
        }
    }
    return plain;
}

class Reader {
public:
    explicit Reader(const fs::path& path)
        : path_(path)
    {
    }

    Result<std::string> read()
    {
        if (auto done = add(path_); !done)
            return tl::unexpected(done.error());
        return std::move(text_);
    }

private:
    tl::unexpected<Error> refused(const std::string& why) const
    {
        return fail(ErrorCode::damaged, say("%1 cannot be opened: %2.", shownName(path_), why),
            say("Copy it again from where it came from."));
    }

    Result<void> add(const fs::path& file)
    {
        std::error_code ignored;
        const auto known = fs::weakly_canonical(file, ignored);
        if (std::find(open_.begin(), open_.end(), known) != open_.end())
            return refused(say("%1 includes itself", shownName(file)));
        if (open_.size() >= mostDeep)
            return refused(say("it has too many files inside each other"));
        std::error_code unknown; // whatever is not there is said when it is read
        if (const auto bytes = fs::file_size(file, unknown); !unknown && bytes > mostBytes)
            return refused(say("it is too long for a text"));
        const auto bytes = readFile(file);
        if (!bytes)
            return tl::unexpected(bytes.error());
        open_.push_back(known);
        const auto text =
            withoutComments({reinterpret_cast<const char*>(bytes->data()), bytes->size()});
        for (std::size_t at = 0; at < text.size();) {
            const auto end = std::min(text.find('\n', at), text.size());
            if (auto done = addLine(text.substr(at, end - at)); !done)
                return done;
            at = end + 1;
        }
        open_.pop_back();
        return {};
    }

    Result<void> addLine(const std::string& line)
    {
        const auto first = line.find_first_not_of(" \t\r");
        if (first != std::string::npos && line.compare(first, 8, "#include") == 0)
            return include(line.substr(first + 8));
        if (first != std::string::npos && line.compare(first, 7, "#define") == 0) {
            define(line.substr(first + 7));
            return {};
        }
        text_ += filledIn(line) + "\n";
        if (text_.size() > mostBytes)
            return refused(say("it is too long for a text"));
        return {};
    }

    Result<void> include(const std::string& rest)
    {
        const auto from = rest.find('"'), to = rest.rfind('"');
        if (from == std::string::npos || to == from)
            return {}; // no name
        auto file = fileBeside(path_, filledIn(rest.substr(from + 1, to - from - 1)));
        if (!file)
            return tl::unexpected(file.error());
        return add(*file);
    }

    void define(const std::string& rest)
    {
        const auto name = rest.find('$');
        if (name == std::string::npos)
            return;
        const auto nameEnd = std::min(rest.find_first_of(" \t\r", name), rest.size());
        const auto value = rest.find_first_not_of(" \t\r", nameEnd);
        if (value == std::string::npos)
            return;
        const auto valueEnd = std::min(rest.find_first_of(" \t\r", value), rest.size());
        defined_[rest.substr(name, nameEnd - name)] = rest.substr(value, valueEnd - value);
    }

    /// Each name once, the longest first, so that $KEYS is not taken for $KEY.
    std::string filledIn(const std::string& line) const
    {
        if (defined_.empty() || line.find('$') == std::string::npos)
            return line;
        std::string filled;
        for (std::size_t at = 0; at < line.size();) {
            const std::string* value = nullptr;
            std::size_t length = 0;
            if (line[at] == '$')
                for (const auto& [name, is] : defined_)
                    if (name.size() > length && line.compare(at, name.size(), name) == 0) {
                        value = &is;
                        length = name.size();
                    }
            if (value != nullptr)
                filled += *value;
            else
                filled += line[at];
            at += std::max<std::size_t>(1, length);
        }
        return filled;
    }

    fs::path path_;
    std::string text_;
    std::vector<fs::path> open_;
    std::map<std::string, std::string> defined_;
};

} // namespace

Result<std::string> readText(const fs::path& path)
{
    return Reader(path).read();
}

Result<fs::path> fileBeside(const fs::path& sfz, std::string name)
{
    std::replace(name.begin(), name.end(), '\\', '/');
    const fs::path relative(name);
    int depth = 0, highest = 0;
    for (const auto& part : relative) {
        depth += part == ".." ? -1 : part == "." || part.empty() ? 0 : 1;
        highest = std::min(highest, depth);
    }
    const bool drive = name.size() > 1 && name[1] == ':';
    if (relative.is_absolute() || drive || highest < -1)
        return fail(ErrorCode::damaged,
            say("%1 cannot be opened: it names %2, which is not beside it.", shownName(sfz), name),
            say("Put its samples beside the SFZ file."));
    return sfz.parent_path() / relative;
}

} // namespace puretone::sfz
