/* ------------------------------------------------------------
license: "GPL-3.0-or-later"
name: "chorus"
Code generated with Faust 2.54.9 (https://faust.grame.fr)
Compilation options: -a src/effects/faust/architecture.txt -lang cpp -inpl -cn Chorus -es 1 -mcd 16 -single -ftz 0
------------------------------------------------------------ */

#ifndef  __Chorus_H__
#define  __Chorus_H__

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
#define FAUSTCLASS Chorus
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


class Chorus : public dsp {
	
 private:
	
	int IOTA0;
	float fVec0[8192];
	FAUSTFLOAT fHslider0;
	int fSampleRate;
	float fConst0;
	float fConst1;
	float fRec0[2];
	FAUSTFLOAT fEntry0;
	FAUSTFLOAT fHslider1;
	float fConst2;
	float fRec1[2];
	FAUSTFLOAT fHslider2;
	float fVec1[8192];
	float fVec2[8192];
	
 public:
	
	void metadata(Meta* m) { 
		m->declare("basics.lib/name", "Faust Basic Element Library");
		m->declare("basics.lib/version", "0.9");
		m->declare("compile_options", "-a src/effects/faust/architecture.txt -lang cpp -inpl -cn Chorus -es 1 -mcd 16 -single -ftz 0");
		m->declare("delays.lib/fdelay4:author", "Julius O. Smith III");
		m->declare("delays.lib/fdelayltv:author", "Julius O. Smith III");
		m->declare("delays.lib/name", "Faust Delay Library");
		m->declare("delays.lib/version", "0.1");
		m->declare("filename", "chorus.dsp");
		m->declare("license", "GPL-3.0-or-later");
		m->declare("maths.lib/author", "GRAME");
		m->declare("maths.lib/copyright", "GRAME");
		m->declare("maths.lib/license", "LGPL with exception");
		m->declare("maths.lib/name", "Faust Math Library");
		m->declare("maths.lib/version", "2.5");
		m->declare("name", "chorus");
		m->declare("oscillators.lib/lf_sawpos:author", "Bart Brouns, revised by Stéphane Letz");
		m->declare("oscillators.lib/lf_sawpos:licence", "STK-4.3");
		m->declare("oscillators.lib/name", "Faust Oscillator Library");
		m->declare("oscillators.lib/version", "0.3");
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
		fConst0 = std::min<float>(1.92e+05f, std::max<float>(1.0f, float(fSampleRate)));
		fConst1 = 7.1f / fConst0;
		fConst2 = 1.0f / fConst0;
	}
	
	virtual void instanceResetUserInterface() {
		fHslider0 = FAUSTFLOAT(0.5f);
		fEntry0 = FAUSTFLOAT(0.0f);
		fHslider1 = FAUSTFLOAT(0.4f);
		fHslider2 = FAUSTFLOAT(1.0f);
	}
	
	virtual void instanceClear() {
		IOTA0 = 0;
		for (int l0 = 0; l0 < 8192; l0 = l0 + 1) {
			fVec0[l0] = 0.0f;
		}
		for (int l1 = 0; l1 < 2; l1 = l1 + 1) {
			fRec0[l1] = 0.0f;
		}
		for (int l2 = 0; l2 < 2; l2 = l2 + 1) {
			fRec1[l2] = 0.0f;
		}
		for (int l3 = 0; l3 < 8192; l3 = l3 + 1) {
			fVec1[l3] = 0.0f;
		}
		for (int l4 = 0; l4 < 8192; l4 = l4 + 1) {
			fVec2[l4] = 0.0f;
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
	
	virtual Chorus* clone() {
		return new Chorus();
	}
	
	virtual int getSampleRate() {
		return fSampleRate;
	}
	
	virtual void buildUserInterface(UI* ui_interface) {
		ui_interface->openVerticalBox("chorus");
		ui_interface->addHorizontalSlider("depth", &fHslider1, FAUSTFLOAT(0.4f), FAUSTFLOAT(0.0f), FAUSTFLOAT(1.0f), FAUSTFLOAT(0.001f));
		ui_interface->addNumEntry("kind", &fEntry0, FAUSTFLOAT(0.0f), FAUSTFLOAT(0.0f), FAUSTFLOAT(1.0f), FAUSTFLOAT(1.0f));
		ui_interface->addHorizontalSlider("speed", &fHslider0, FAUSTFLOAT(0.5f), FAUSTFLOAT(0.02f), FAUSTFLOAT(8.0f), FAUSTFLOAT(0.001f));
		ui_interface->addHorizontalSlider("width", &fHslider2, FAUSTFLOAT(1.0f), FAUSTFLOAT(0.0f), FAUSTFLOAT(1.0f), FAUSTFLOAT(0.001f));
		ui_interface->closeBox();
	}
	
	virtual void compute(int count, FAUSTFLOAT** inputs, FAUSTFLOAT** outputs) {
		FAUSTFLOAT* input0 = inputs[0];
		FAUSTFLOAT* input1 = inputs[1];
		FAUSTFLOAT* output0 = outputs[0];
		FAUSTFLOAT* output1 = outputs[1];
		float fSlow0 = float(fHslider0);
		float fSlow1 = fConst1 * fSlow0;
		float fSlow2 = float(fHslider1) / fSlow0;
		float fSlow3 = 0.35f * std::min<float>(0.009f, 0.0003922833f * fSlow2) * float(int(float(fEntry0)));
		float fSlow4 = fConst2 * fSlow0;
		float fSlow5 = std::min<float>(0.009f, 0.0027852114f * fSlow2);
		float fSlow6 = float(fHslider2);
		float fSlow7 = 1.0f - fSlow6;
		float fSlow8 = fSlow6 + 1.0f;
		for (int i0 = 0; i0 < count; i0 = i0 + 1) {
			float fTemp0 = float(input0[i0]);
			float fTemp1 = float(input1[i0]);
			float fTemp2 = fTemp0 + fTemp1;
			fVec0[IOTA0 & 8191] = fTemp2;
			fRec0[0] = fSlow1 + (fRec0[1] - std::floor(fSlow1 + fRec0[1]));
			fRec1[0] = fSlow4 + (fRec1[1] - std::floor(fSlow4 + fRec1[1]));
			float fTemp3 = std::min<float>(16376.0f, fConst0 * (fSlow5 * std::sin(6.2831855f * (fRec1[0] + 0.33333334f)) + fSlow3 * std::sin(6.2831855f * (fRec0[0] + 0.33333334f)) + 0.0173f));
			float fTemp4 = fTemp3 + -1.499995f;
			int iTemp5 = int(fTemp4);
			float fTemp6 = std::floor(fTemp4);
			float fTemp7 = fTemp3 + (-3.0f - fTemp6);
			float fTemp8 = fTemp3 + (-2.0f - fTemp6);
			float fTemp9 = fTemp3 + (-4.0f - fTemp6);
			float fTemp10 = fTemp3 + (-1.0f - fTemp6);
			float fTemp11 = fTemp3 - fTemp6;
			float fTemp12 = 0.6f * (0.5f * (fVec0[(IOTA0 - std::min<int>(16384, std::max<int>(0, iTemp5))) & 8191] * (0.0f - fTemp10) * (0.0f - 0.5f * fTemp8) * (0.0f - 0.33333334f * fTemp7) * (0.0f - 0.25f * fTemp9) + fTemp11 * fVec0[(IOTA0 - std::min<int>(16384, std::max<int>(0, iTemp5 + 1))) & 8191] * (0.0f - fTemp8) * (0.0f - 0.5f * fTemp7) * (0.0f - 0.33333334f * fTemp9)) + fTemp11 * fTemp10 * (0.25f * fVec0[(IOTA0 - std::min<int>(16384, std::max<int>(0, iTemp5 + 2))) & 8191] * (0.0f - fTemp7) * (0.0f - 0.5f * fTemp9) + 0.083333336f * fTemp8 * fVec0[(IOTA0 - std::min<int>(16384, std::max<int>(0, iTemp5 + 3))) & 8191] * (0.0f - fTemp9) + 0.020833334f * fTemp8 * fTemp7 * fVec0[(IOTA0 - std::min<int>(16384, std::max<int>(0, iTemp5 + 4))) & 8191]));
			float fTemp13 = fSlow6 * (fTemp0 - fTemp1);
			float fTemp14 = fTemp2 - fTemp13;
			fVec1[IOTA0 & 8191] = fTemp14;
			float fTemp15 = std::min<float>(16376.0f, fConst0 * (fSlow5 * std::sin(6.2831855f * (fRec1[0] + 0.6666667f)) + fSlow3 * std::sin(6.2831855f * (fRec0[0] + 0.6666667f)) + 0.0229f));
			float fTemp16 = fTemp15 + -1.499995f;
			int iTemp17 = int(fTemp16);
			float fTemp18 = std::floor(fTemp16);
			float fTemp19 = fTemp15 + (-3.0f - fTemp18);
			float fTemp20 = fTemp15 + (-2.0f - fTemp18);
			float fTemp21 = fTemp15 + (-4.0f - fTemp18);
			float fTemp22 = fTemp15 + (-1.0f - fTemp18);
			float fTemp23 = fTemp15 - fTemp18;
			float fTemp24 = 0.5f * (fVec1[(IOTA0 - std::min<int>(16384, std::max<int>(0, iTemp17))) & 8191] * (0.0f - fTemp22) * (0.0f - 0.5f * fTemp20) * (0.0f - 0.33333334f * fTemp19) * (0.0f - 0.25f * fTemp21) + fTemp23 * fVec1[(IOTA0 - std::min<int>(16384, std::max<int>(0, iTemp17 + 1))) & 8191] * (0.0f - fTemp20) * (0.0f - 0.5f * fTemp19) * (0.0f - 0.33333334f * fTemp21)) + fTemp23 * fTemp22 * (0.25f * fVec1[(IOTA0 - std::min<int>(16384, std::max<int>(0, iTemp17 + 2))) & 8191] * (0.0f - fTemp19) * (0.0f - 0.5f * fTemp21) + 0.083333336f * fTemp20 * fVec1[(IOTA0 - std::min<int>(16384, std::max<int>(0, iTemp17 + 3))) & 8191] * (0.0f - fTemp21) + 0.020833334f * fTemp20 * fTemp19 * fVec1[(IOTA0 - std::min<int>(16384, std::max<int>(0, iTemp17 + 4))) & 8191]);
			float fTemp25 = fTemp2 + fTemp13;
			fVec2[IOTA0 & 8191] = fTemp25;
			float fTemp26 = std::min<float>(16376.0f, fConst0 * (fSlow5 * std::sin(6.2831855f * fRec1[0]) + fSlow3 * std::sin(6.2831855f * fRec0[0]) + 0.0121f));
			float fTemp27 = fTemp26 + -1.499995f;
			int iTemp28 = int(fTemp27);
			float fTemp29 = std::floor(fTemp27);
			float fTemp30 = fTemp26 + (-3.0f - fTemp29);
			float fTemp31 = fTemp26 + (-2.0f - fTemp29);
			float fTemp32 = fTemp26 + (-4.0f - fTemp29);
			float fTemp33 = fTemp26 + (-1.0f - fTemp29);
			float fTemp34 = fTemp26 - fTemp29;
			float fTemp35 = 0.5f * (fVec2[(IOTA0 - std::min<int>(16384, std::max<int>(0, iTemp28))) & 8191] * (0.0f - fTemp33) * (0.0f - 0.5f * fTemp31) * (0.0f - 0.33333334f * fTemp30) * (0.0f - 0.25f * fTemp32) + fTemp34 * fVec2[(IOTA0 - std::min<int>(16384, std::max<int>(0, iTemp28 + 1))) & 8191] * (0.0f - fTemp31) * (0.0f - 0.5f * fTemp30) * (0.0f - 0.33333334f * fTemp32)) + fTemp34 * fTemp33 * (0.25f * fVec2[(IOTA0 - std::min<int>(16384, std::max<int>(0, iTemp28 + 2))) & 8191] * (0.0f - fTemp30) * (0.0f - 0.5f * fTemp32) + 0.083333336f * fTemp31 * fVec2[(IOTA0 - std::min<int>(16384, std::max<int>(0, iTemp28 + 3))) & 8191] * (0.0f - fTemp32) + 0.020833334f * fTemp31 * fTemp30 * fVec2[(IOTA0 - std::min<int>(16384, std::max<int>(0, iTemp28 + 4))) & 8191]);
			output0[i0] = FAUSTFLOAT(0.75f * (0.5f * (fSlow8 * fTemp35 + fSlow7 * fTemp24) + fTemp12));
			output1[i0] = FAUSTFLOAT(0.75f * (fTemp12 + 0.5f * (fSlow8 * fTemp24 + fSlow7 * fTemp35)));
			IOTA0 = IOTA0 + 1;
			fRec0[1] = fRec0[0];
			fRec1[1] = fRec1[0];
		}
	}

};
} // namespace puretone::generated

#endif
