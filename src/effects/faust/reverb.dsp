// A feedback delay network of eight lines with an allpass in each, after Fons Adriaensen's zita-rev1
// as Julius Smith describes it (Physical Audio Signal Processing, "Zita-Rev1"), whose lengths follow
// the size and glide when it moves.
declare license "GPL-3.0-or-later";
import("stdfaust.lib");

kind = nentry("kind", 1, 0, 3, 1) : int; // room, hall, plate, endless
size = hslider("size", 0.5, 0, 1, 0.001);
decay = hslider("decay", 2.2, 0.1, 30, 0.001);
damping = hslider("damping", 6000, 500, 20000, 1);
preDelay = hslider("preDelay", 0.02, 0, 0.5, 0.0001);
width = hslider("width", 1, 0, 1, 0.001);

N = 8;
mostLine = 131072;
mostPass = 16384;
// Kinds: how long lines are, how dense it begins. A short decay goes round often enough to be even.
scale = min(ba.selectn(4, kind, 0.38, 1, 0.3, 1.25) * (0.4 + 1.2 * size), decay / 2);
diffusion = ba.selectn(4, kind, 0.45, 0.5, 0.7, 0.6);
t60 = decay * ba.selectn(4, kind, 1, 1, 1, 20);

total = (0.153129, 0.210389, 0.127837, 0.256891, 0.174713, 0.192303, 0.125000, 0.219991);
pass = (0.020346, 0.024421, 0.031604, 0.027333, 0.022904, 0.029291, 0.013458, 0.019123);
totalFrames(i) = max(64, floor(0.5 + ma.SR * scale * ba.take(i + 1, total)));
passFrames(i) = max(8, floor(0.5 + ma.SR * scale * ba.take(i + 1, pass)));
lineFrames(i) = totalFrames(i) - passFrames(i);
glide = 2048; // frames from one length to another

// A delay that loses as much as it is long keeps the decay the same for all modes: the network is a
// lossless one whose poles have all moved inwards alike.
lost(frames) = pow(0.001, frames / (t60 * ma.SR));
allpass(most, frames, g, loss) = (+ <: ((de.sdelay(most, glide, frames - 1) : *(loss)), *(g))) ~ *(0 - g)
    : mem, _ : +;

// From unity at 0 Hz to g at f.
lowpass(g, f) = si.smooth(p)
with {
    gs = g * g;
    c = cos(2 * ma.PI * min(f, 0.45 * ma.SR) / ma.SR);
    m = (1 - gs * c) / max(1e-6, 1 - gs);
    p = select2(f < 19900, 0, m - sqrt(max(0, m * m - 1))); // at the top nothing is damped
};
// Half the decay where highs are damped; that counts the allpass with its line.
filter(i) = *(lost(lineFrames(i)) / sqrt(N)) : lowpass(lost(totalFrames(i)), damping);
// Nothing in the lines grows for ever: straight up to about full scale.
soft(x) = x / sqrt(sqrt(1 + y * y))
with {
    y = (x / 3) * (x / 3);
};
line(i) = de.sdelay(mostLine, glide, lineFrames(i)) : soft;

network = (si.bus(2 * N) :> par(i, N, allpass(mostPass, passFrames(i), select2(i & 1, 0.6, -0.6),
        lost(passFrames(i))))
        : ro.hadamard(N))
    ~ (par(i, N, filter(i)) : par(i, N, line(i)));

diffuser = seq(i, 4, allpass(4096, max(4, floor(ma.SR * ba.take(i + 1, diffusers))), diffusion, 1))
with {
    diffusers = (0.004771, 0.003595, 0.012735, 0.009307);
};

into(l, r) = par(i, N, select2(i & 1, l, r) * select2(i & 2, 1, -1)) : par(i, N, *(0.3535));
sides(a, b, c, d, e, f, g, h) = 0.5 * (a + c - e - g), 0.5 * (b + d - f - h);
spread(l, r) = mid + width * side, mid - width * side
with {
    mid = 0.5 * (l + r);
    side = 0.5 * (l - r);
};
// Long ones are not as much louder as they hold more.
level = 1.6 * pow(2 / max(0.1, t60), 0.3);

process = par(i, 2, de.sdelay(131072, glide, floor(preDelay * ma.SR)) : diffuser) : into : network
    : sides : spread : *(level), *(level);
