// Voices behind the sound whose delays swing: a chorus of three, or an ensemble whose three voices
// follow a slow and a fast swing, a third of a turn apart.
declare license "GPL-3.0-or-later";
import("stdfaust.lib");

kind = nentry("kind", 0, 0, 1, 1) : int; // chorus, ensemble
speed = hslider("speed", 0.5, 0.02, 8, 0.001);
depth = hslider("depth", 0.4, 0, 1, 0.001);
width = hslider("width", 1, 0, 1, 0.001);

most = 16384; // frames: 85 ms at 192 kHz
seconds(s) = s * ma.SR : min(most - 8);
// Depth is how far the pitch swings: 30 cents at most, as far as the delays reach.
deviation = 0.0175 * depth;
swing(f) = min(0.009, deviation / (2 * ma.PI * f));
turn(f) = os.lf_sawpos(f);
sine(phase) = sin(2 * ma.PI * phase);

slow(i) = sine(turn(speed) + i / 3) * swing(speed);
fast(i) = sine(turn(7.1 * speed) + i / 3) * swing(7.1 * speed) * 0.35;
middle(i) = ba.take(i + 1, (0.0121, 0.0173, 0.0229));
delay(i) = seconds(middle(i) + slow(i) + kind * fast(i));
voice(i) = de.fdelay4(most, delay(i));

// Left, middle and right.
process(l, r) = outLeft, outRight
with {
    mono = 0.5 * (l + r);
    a = voice(0, mono + 0.5 * width * (l - r));
    b = voice(1, mono);
    c = voice(2, mono - 0.5 * width * (l - r));
    near = 0.5 + 0.5 * width;
    far = 0.5 - 0.5 * width;
    outLeft = 0.75 * (near * a + far * c + 0.6 * b);
    outRight = 0.75 * (near * c + far * a + 0.6 * b);
};
