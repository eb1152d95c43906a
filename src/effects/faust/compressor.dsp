// Holds loud things back, both sides alike.
declare license "GPL-3.0-or-later";
import("stdfaust.lib");

threshold = hslider("threshold", -18, -60, 0, 0.1);
ratio = hslider("ratio", 3, 1, 20, 0.01);
knee = hslider("knee", 6, 0, 24, 0.1);
attack = hslider("attack", 0.01, 0.0001, 0.2, 0.0001);
release = hslider("release", 0.15, 0.01, 2, 0.001);
gain = hslider("gain", 0, 0, 24, 0.1) : ba.db2linear;

held(x) = attach(x, x : hbargraph("held", -60, 0));
process = co.FFcompressor_N_chan(1 - 1 / ratio, threshold, attack, release, knee, 1, 1, held, 2)
    : *(gain), *(gain);
