/* ------------------------------------------------------------
license: "GPL-3.0-or-later"
name: "phaser"
Code generated with Faust 2.54.9 (https://faust.grame.fr)
Compilation options: -a src/effects/faust/architecture.txt -lang cpp -inpl -cn Phaser -es 1 -mcd 16 -single -ftz 0
------------------------------------------------------------ */

#ifndef  __Phaser_H__
#define  __Phaser_H__

// SPDX-License-Identifier: GPL-3.0-or-later
// Made by tools/make-effects from src/effects/faust; not to be changed by hand.
#pragma once
#include "effects/generated/faust_program.h"
namespace puretone::generated {
#ifndef FAUSTFLOAT
#define FAUSTFLOAT float
#endif 

#include <algorithm>
#include <cmath>
#include <cstdint>
#include <math.h>

#ifndef FAUSTCLASS 
#define FAUSTCLASS Phaser
#endif

#ifdef __APPLE__ 
#define exp10f __exp10f
#define exp10 __exp10
#endif

#if defined(_WIN32)
#define RESTRICT __restrict
#else
#define RESTRICT __restrict__
#endif

static float Phaser_faustpower2_f(float value) {
	return value * value;
}

class Phaser : public dsp {
	
 private:
	
	int iVec0[2];
	FAUSTFLOAT fHslider0;
	int fSampleRate;
	float fConst1;
	float fRec2[2];
	float fRec3[2];
	FAUSTFLOAT fHslider1;
	FAUSTFLOAT fHslider2;
	float fConst3;
	float fConst4;
	FAUSTFLOAT fHslider3;
	float fRec6[3];
	float fRec5[3];
	float fRec4[3];
	float fRec1[3];
	float fRec0[2];
	float fRec11[3];
	float fRec10[3];
	float fRec9[3];
	float fRec8[3];
	float fRec7[2];
	
 public:
	
	void metadata(Meta* m) { 
		m->declare("compile_options", "-a src/effects/faust/architecture.txt -lang cpp -inpl -cn Phaser -es 1 -mcd 16 -single -ftz 0");
		m->declare("filename", "phaser.dsp");
		m->declare("filters.lib/fir:author", "Julius O. Smith III");
		m->declare("filters.lib/fir:copyright", "Copyright (C) 2003-2019 by Julius O. Smith III <jos@ccrma.stanford.edu>");
		m->declare("filters.lib/fir:license", "MIT-style STK-4.3 license");
		m->declare("filters.lib/iir:author", "Julius O. Smith III");
		m->declare("filters.lib/iir:copyright", "Copyright (C) 2003-2019 by Julius O. Smith III <jos@ccrma.stanford.edu>");
		m->declare("filters.lib/iir:license", "MIT-style STK-4.3 license");
		m->declare("filters.lib/lowpass0_highpass1", "Copyright (C) 2003-2019 by Julius O. Smith III <jos@ccrma.stanford.edu>");
		m->declare("filters.lib/name", "Faust Filters Library");
		m->declare("filters.lib/nlf2:author", "Julius O. Smith III");
		m->declare("filters.lib/nlf2:copyright", "Copyright (C) 2003-2019 by Julius O. Smith III <jos@ccrma.stanford.edu>");
		m->declare("filters.lib/nlf2:license", "MIT-style STK-4.3 license");
		m->declare("filters.lib/tf2:author", "Julius O. Smith III");
		m->declare("filters.lib/tf2:copyright", "Copyright (C) 2003-2019 by Julius O. Smith III <jos@ccrma.stanford.edu>");
		m->declare("filters.lib/tf2:license", "MIT-style STK-4.3 license");
		m->declare("filters.lib/version", "0.3");
		m->declare("license", "GPL-3.0-or-later");
		m->declare("maths.lib/author", "GRAME");
		m->declare("maths.lib/copyright", "GRAME");
		m->declare("maths.lib/license", "LGPL with exception");
		m->declare("maths.lib/name", "Faust Math Library");
		m->declare("maths.lib/version", "2.5");
		m->declare("name", "phaser");
		m->declare("oscillators.lib/name", "Faust Oscillator Library");
		m->declare("oscillators.lib/version", "0.3");
		m->declare("phaflangers.lib/name", "Faust Phaser and Flanger Library");
		m->declare("phaflangers.lib/version", "0.1");
		m->declare("platform.lib/name", "Generic Platform Library");
		m->declare("platform.lib/version", "0.3");
	}

	virtual int getNumInputs() {
		return 2;
	}
	virtual int getNumOutputs() {
		return 2;
	}
	
	static void classInit(int sample_rate) {
	}
	
	virtual void instanceConstants(int sample_rate) {
		fSampleRate = sample_rate;
		float fConst0 = std::min<float>(1.92e+05f, std::max<float>(1.0f, float(fSampleRate)));
		fConst1 = 6.2831855f / fConst0;
		float fConst2 = std::exp(0.0f - 3141.5928f / fConst0);
		fConst3 = Phaser_faustpower2_f(fConst2);
		fConst4 = 0.0f - 2.0f * fConst2;
	}
	
	virtual void instanceResetUserInterface() {
		fHslider0 = FAUSTFLOAT(0.3f);
		fHslider1 = FAUSTFLOAT(2e+02f);
		fHslider2 = FAUSTFLOAT(3e+03f);
		fHslider3 = FAUSTFLOAT(0.2f);
	}
	
	virtual void instanceClear() {
		for (int l0 = 0; l0 < 2; l0 = l0 + 1) {
			iVec0[l0] = 0;
		}
		for (int l1 = 0; l1 < 2; l1 = l1 + 1) {
			fRec2[l1] = 0.0f;
		}
		for (int l2 = 0; l2 < 2; l2 = l2 + 1) {
			fRec3[l2] = 0.0f;
		}
		for (int l3 = 0; l3 < 3; l3 = l3 + 1) {
			fRec6[l3] = 0.0f;
		}
		for (int l4 = 0; l4 < 3; l4 = l4 + 1) {
			fRec5[l4] = 0.0f;
		}
		for (int l5 = 0; l5 < 3; l5 = l5 + 1) {
			fRec4[l5] = 0.0f;
		}
		for (int l6 = 0; l6 < 3; l6 = l6 + 1) {
			fRec1[l6] = 0.0f;
		}
		for (int l7 = 0; l7 < 2; l7 = l7 + 1) {
			fRec0[l7] = 0.0f;
		}
		for (int l8 = 0; l8 < 3; l8 = l8 + 1) {
			fRec11[l8] = 0.0f;
		}
		for (int l9 = 0; l9 < 3; l9 = l9 + 1) {
			fRec10[l9] = 0.0f;
		}
		for (int l10 = 0; l10 < 3; l10 = l10 + 1) {
			fRec9[l10] = 0.0f;
		}
		for (int l11 = 0; l11 < 3; l11 = l11 + 1) {
			fRec8[l11] = 0.0f;
		}
		for (int l12 = 0; l12 < 2; l12 = l12 + 1) {
			fRec7[l12] = 0.0f;
		}
	}
	
	virtual void init(int sample_rate) {
		classInit(sample_rate);
		instanceInit(sample_rate);
	}
	virtual void instanceInit(int sample_rate) {
		instanceConstants(sample_rate);
		instanceResetUserInterface();
		instanceClear();
	}
	
	virtual Phaser* clone() {
		return new Phaser();
	}
	
	virtual int getSampleRate() {
		return fSampleRate;
	}
	
	virtual void buildUserInterface(UI* ui_interface) {
		ui_interface->openVerticalBox("phaser");
		ui_interface->addHorizontalSlider("back", &fHslider3, FAUSTFLOAT(0.2f), FAUSTFLOAT(-0.9f), FAUSTFLOAT(0.9f), FAUSTFLOAT(0.001f));
		ui_interface->addHorizontalSlider("high", &fHslider2, FAUSTFLOAT(3e+03f), FAUSTFLOAT(5e+02f), FAUSTFLOAT(8e+03f), FAUSTFLOAT(0.1f));
		ui_interface->addHorizontalSlider("low", &fHslider1, FAUSTFLOAT(2e+02f), FAUSTFLOAT(6e+01f), FAUSTFLOAT(2e+03f), FAUSTFLOAT(0.1f));
		ui_interface->addHorizontalSlider("speed", &fHslider0, FAUSTFLOAT(0.3f), FAUSTFLOAT(0.02f), FAUSTFLOAT(8.0f), FAUSTFLOAT(0.001f));
		ui_interface->closeBox();
	}
	
	virtual void compute(int count, FAUSTFLOAT** inputs, FAUSTFLOAT** outputs) {
		FAUSTFLOAT* input0 = inputs[0];
		FAUSTFLOAT* input1 = inputs[1];
		FAUSTFLOAT* output0 = outputs[0];
		FAUSTFLOAT* output1 = outputs[1];
		float fSlow0 = fConst1 * float(fHslider0);
		float fSlow1 = std::cos(fSlow0);
		float fSlow2 = std::sin(fSlow0);
		float fSlow3 = float(fHslider1);
		float fSlow4 = 0.5f * (0.0f - fConst1 * (fSlow3 - std::max<float>(1.05f * fSlow3, float(fHslider2))));
		float fSlow5 = fConst1 * fSlow3;
		float fSlow6 = float(fHslider3);
		for (int i0 = 0; i0 < count; i0 = i0 + 1) {
			float fTemp0 = float(input0[i0]);
			float fTemp1 = float(input1[i0]);
			iVec0[0] = 1;
			fRec2[0] = fSlow2 * fRec3[1] + fSlow1 * fRec2[1];
			fRec3[0] = float(1 - iVec0[1]) + fSlow1 * fRec3[1] - fSlow2 * fRec2[1];
			float fTemp2 = fSlow5 + fSlow4 * (1.0f - fRec2[0]);
			float fTemp3 = fRec1[1] * std::cos(5.0625f * fTemp2);
			float fTemp4 = fRec4[1] * std::cos(3.375f * fTemp2);
			float fTemp5 = fRec5[1] * std::cos(2.25f * fTemp2);
			float fTemp6 = fRec6[1] * std::cos(1.5f * fTemp2);
			fRec6[0] = fTemp0 + fSlow6 * fRec0[1] - (fConst4 * fTemp6 + fConst3 * fRec6[2]);
			fRec5[0] = fConst3 * (fRec6[0] - fRec5[2]) + fRec6[2] + fConst4 * (fTemp6 - fTemp5);
			fRec4[0] = fConst3 * (fRec5[0] - fRec4[2]) + fRec5[2] + fConst4 * (fTemp5 - fTemp4);
			fRec1[0] = fConst3 * (fRec4[0] - fRec1[2]) + fRec4[2] + fConst4 * (fTemp4 - fTemp3);
			fRec0[0] = fConst3 * fRec1[0] + fConst4 * fTemp3 + fRec1[2];
			output0[i0] = FAUSTFLOAT(fRec0[0]);
			float fTemp7 = fSlow5 + fSlow4 * (1.0f - fRec3[0]);
			float fTemp8 = fRec8[1] * std::cos(5.0625f * fTemp7);
			float fTemp9 = fRec9[1] * std::cos(3.375f * fTemp7);
			float fTemp10 = fRec10[1] * std::cos(2.25f * fTemp7);
			float fTemp11 = fRec11[1] * std::cos(1.5f * fTemp7);
			fRec11[0] = fTemp1 + fSlow6 * fRec7[1] - (fConst4 * fTemp11 + fConst3 * fRec11[2]);
			fRec10[0] = fConst3 * (fRec11[0] - fRec10[2]) + fRec11[2] + fConst4 * (fTemp11 - fTemp10);
			fRec9[0] = fConst3 * (fRec10[0] - fRec9[2]) + fRec10[2] + fConst4 * (fTemp10 - fTemp9);
			fRec8[0] = fConst3 * (fRec9[0] - fRec8[2]) + fRec9[2] + fConst4 * (fTemp9 - fTemp8);
			fRec7[0] = fConst3 * fRec8[0] + fConst4 * fTemp8 + fRec8[2];
			output1[i0] = FAUSTFLOAT(fRec7[0]);
			iVec0[1] = iVec0[0];
			fRec2[1] = fRec2[0];
			fRec3[1] = fRec3[0];
			fRec6[2] = fRec6[1];
			fRec6[1] = fRec6[0];
			fRec5[2] = fRec5[1];
			fRec5[1] = fRec5[0];
			fRec4[2] = fRec4[1];
			fRec4[1] = fRec4[0];
			fRec1[2] = fRec1[1];
			fRec1[1] = fRec1[0];
			fRec0[1] = fRec0[0];
			fRec11[2] = fRec11[1];
			fRec11[1] = fRec11[0];
			fRec10[2] = fRec10[1];
			fRec10[1] = fRec10[0];
			fRec9[2] = fRec9[1];
			fRec9[1] = fRec9[0];
			fRec8[2] = fRec8[1];
			fRec8[1] = fRec8[0];
			fRec7[1] = fRec7[0];
		}
	}

};
} // namespace puretone::generated

#endif
