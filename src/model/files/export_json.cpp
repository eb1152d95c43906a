// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/files/export_json.h"

#include "model/files/json_names.h"

namespace puretone {

using nlohmann::json;

namespace {

constexpr Names<Depth, 3> depthNames = {
    {{Depth::bits16, "16"}, {Depth::bits24, "24"}, {Depth::floating, "float"}}};
constexpr Names<Saver, 5> saverNames = {{{Saver::mono, "mono"}, {Saver::rate, "rate"},
    {Saver::depth, "depth"}, {Saver::length, "length"}, {Saver::fewerTakes, "fewerTakes"}}};
constexpr Names<Product, 4> productNames = {{{Product::project, "project"}, {Product::sfz, "sfz"},
    {Product::soundFont, "soundFont"}, {Product::wavs, "wavs"}}};

} // namespace

json exportsJson(const Exports& exports)
{
    const Exports usual;
    const auto& wish = exports.wish;
    const auto& sound = wish.choices.sound;
    json j = json::object();
    if (!wish.usualDepth)
        j["depth"] = nameIn(depthNames, sound.depth);
    if (sound.rate)
        j["rate"] = *sound.rate;
    if (sound.mono)
        j["mono"] = true;
    if (!sound.dither)
        j["dither"] = false;
    if (sound.longest)
        j["longestSeconds"] = *sound.longest;
    if (sound.playedOut)
        j["playedOutSeconds"] = *sound.playedOut;
    if (wish.choices.flac)
        j["flac"] = true;
    if (wish.choices.keyStep > 0)
        j["keyStep"] = wish.choices.keyStep;
    if (wish.limitMegabytes > 0.0)
        j["limitMegabytes"] = wish.limitMegabytes;
    if (wish.savers != usual.wish.savers) {
        j["savers"] = json::array();
        for (const auto saver : wish.savers)
            j["savers"].push_back(nameIn(saverNames, saver));
    }
    if (exports.ticked != usual.ticked) {
        j["products"] = json::array();
        for (const auto product : allProducts)
            if (exports.ticked[std::size_t(product)])
                j["products"].push_back(nameIn(productNames, product));
    }
    return j;
}

Exports exportsFrom(const json& j)
{
    Exports exports;
    auto& wish = exports.wish;
    auto& sound = wish.choices.sound;
    const auto seconds = [&](const char* name) {
        return j.contains(name) ? std::optional(j.at(name).get<double>()) : std::nullopt;
    };
    wish.usualDepth = !j.contains("depth");
    if (!wish.usualDepth)
        sound.depth = valueIn(depthNames, j.at("depth").get<std::string>());
    sound.rate = seconds("rate");
    sound.mono = j.value("mono", false);
    sound.dither = j.value("dither", true);
    sound.longest = seconds("longestSeconds");
    sound.playedOut = seconds("playedOutSeconds");
    wish.choices.flac = j.value("flac", false);
    wish.choices.keyStep = whole(j, "keyStep", 0);
    wish.limitMegabytes = j.value("limitMegabytes", 0.0);
    if (j.contains("savers")) {
        wish.savers.clear();
        for (const auto& name : j.at("savers"))
            wish.savers.push_back(valueIn(saverNames, name.get<std::string>()));
    }
    if (j.contains("products")) {
        exports.ticked.fill(false);
        for (const auto& name : j.at("products"))
            exports.ticked[std::size_t(valueIn(productNames, name.get<std::string>()))] = true;
    }
    return exports;
}

} // namespace puretone
