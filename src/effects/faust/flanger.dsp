// One short delay on each side that swings, with its way back.
declare license "GPL-3.0-or-later";
import("stdfaust.lib");

speed = hslider("speed", 0.2, 0.01, 8, 0.001);
delay = hslider("delay", 0.003, 0.0001, 0.015, 0.00001);
depth = hslider("depth", 0.7, 0, 1, 0.001);
back = hslider("back", 0.5, -0.95, 0.95, 0.001);

most = 4096; // frames: 21 ms at 192 kHz
swing(phase) = 0.5 + 0.5 * sin(2 * ma.PI * (os.lf_sawpos(speed) + phase));
frames(phase) = ma.SR * delay * (1 - depth * swing(phase)) + 2 : min(most - 8);
side(phase) = (+ : de.fdelay4(most, frames(phase) - 1)) ~ *(back);
process = side(0), side(0.25);
