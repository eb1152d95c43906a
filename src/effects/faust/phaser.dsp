// A chain of second-order allpasses whose frequencies sweep; with the sound itself it makes notches.
declare license "GPL-3.0-or-later";
import("stdfaust.lib");

speed = hslider("speed", 0.3, 0.02, 8, 0.001);
low = hslider("low", 200, 60, 2000, 0.1);
high = hslider("high", 3000, 500, 8000, 0.1) : max(low * 1.05);
back = hslider("back", 0.2, -0.9, 0.9, 0.001);

notches = 4;
ratio = 1.5;
// Twice the depth of the library's is the chain alone.
process = pf.phaser2_stereo(notches, 1000, low, ratio, high, speed, 2, back, 0);
