/* ------------------------------------------------------------
license: "GPL-3.0-or-later"
name: "flanger"
Code generated with Faust 2.54.9 (https://faust.grame.fr)
Compilation options: -a src/effects/faust/architecture.txt -lang cpp -inpl -cn Flanger -es 1 -mcd 16 -single -ftz 0
------------------------------------------------------------ */

#ifndef  __Flanger_H__
#define  __Flanger_H__

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
#define FAUSTCLASS Flanger
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


class Flanger : public dsp {
	
 private:
	
	FAUSTFLOAT fHslider0;
	int IOTA0;
	float fVec0[4096];
	FAUSTFLOAT fHslider1;
	int fSampleRate;
	float fConst0;
	float fConst1;
	float fRec1[2];
	FAUSTFLOAT fHslider2;
	FAUSTFLOAT fHslider3;
	float fRec0[2];
	float fVec1[4096];
	float fRec2[2];
	
 public:
	
	void metadata(Meta* m) { 
		m->declare("compile_options", "-a src/effects/faust/architecture.txt -lang cpp -inpl -cn Flanger -es 1 -mcd 16 -single -ftz 0");
		m->declare("delays.lib/fdelay4:author", "Julius O. Smith III");
		m->declare("delays.lib/fdelayltv:author", "Julius O. Smith III");
		m->declare("delays.lib/name", "Faust Delay Library");
		m->declare("delays.lib/version", "0.1");
		m->declare("filename", "flanger.dsp");
		m->declare("license", "GPL-3.0-or-later");
		m->declare("maths.lib/author", "GRAME");
		m->declare("maths.lib/copyright", "GRAME");
		m->declare("maths.lib/license", "LGPL with exception");
		m->declare("maths.lib/name", "Faust Math Library");
		m->declare("maths.lib/version", "2.5");
		m->declare("name", "flanger");
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
		fConst1 = 1.0f / fConst0;
	}
	
	virtual void instanceResetUserInterface() {
		fHslider0 = FAUSTFLOAT(0.5f);
		fHslider1 = FAUSTFLOAT(0.2f);
		fHslider2 = FAUSTFLOAT(0.7f);
		fHslider3 = FAUSTFLOAT(0.003f);
	}
	
	virtual void instanceClear() {
		IOTA0 = 0;
		for (int l0 = 0; l0 < 4096; l0 = l0 + 1) {
			fVec0[l0] = 0.0f;
		}
		for (int l1 = 0; l1 < 2; l1 = l1 + 1) {
			fRec1[l1] = 0.0f;
		}
		for (int l2 = 0; l2 < 2; l2 = l2 + 1) {
			fRec0[l2] = 0.0f;
		}
		for (int l3 = 0; l3 < 4096; l3 = l3 + 1) {
			fVec1[l3] = 0.0f;
		}
		for (int l4 = 0; l4 < 2; l4 = l4 + 1) {
			fRec2[l4] = 0.0f;
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
	
	virtual Flanger* clone() {
		return new Flanger();
	}
	
	virtual int getSampleRate() {
		return fSampleRate;
	}
	
	virtual void buildUserInterface(UI* ui_interface) {
		ui_interface->openVerticalBox("flanger");
		ui_interface->addHorizontalSlider("back", &fHslider0, FAUSTFLOAT(0.5f), FAUSTFLOAT(-0.95f), FAUSTFLOAT(0.95f), FAUSTFLOAT(0.001f));
		ui_interface->addHorizontalSlider("delay", &fHslider3, FAUSTFLOAT(0.003f), FAUSTFLOAT(0.0001f), FAUSTFLOAT(0.015f), FAUSTFLOAT(1e-05f));
		ui_interface->addHorizontalSlider("depth", &fHslider2, FAUSTFLOAT(0.7f), FAUSTFLOAT(0.0f), FAUSTFLOAT(1.0f), FAUSTFLOAT(0.001f));
		ui_interface->addHorizontalSlider("speed", &fHslider1, FAUSTFLOAT(0.2f), FAUSTFLOAT(0.01f), FAUSTFLOAT(8.0f), FAUSTFLOAT(0.001f));
		ui_interface->closeBox();
	}
	
	virtual void compute(int count, FAUSTFLOAT** inputs, FAUSTFLOAT** outputs) {
		FAUSTFLOAT* input0 = inputs[0];
		FAUSTFLOAT* input1 = inputs[1];
		FAUSTFLOAT* output0 = outputs[0];
		FAUSTFLOAT* output1 = outputs[1];
		float fSlow0 = float(fHslider0);
		float fSlow1 = fConst1 * float(fHslider1);
		float fSlow2 = 0.5f * float(fHslider2);
		float fSlow3 = fConst0 * float(fHslider3);
		for (int i0 = 0; i0 < count; i0 = i0 + 1) {
			float fTemp0 = float(input0[i0]);
			float fTemp1 = float(input1[i0]);
			float fTemp2 = fTemp0 + fSlow0 * fRec0[1];
			fVec0[IOTA0 & 4095] = fTemp2;
			fRec1[0] = fSlow1 + (fRec1[1] - std::floor(fSlow1 + fRec1[1]));
			float fTemp3 = std::min<float>(4088.0f, fSlow3 * (1.0f - fSlow2 * (std::sin(6.2831855f * fRec1[0]) + 1.0f)) + 2.0f);
			float fTemp4 = fTemp3 + -2.499995f;
			int iTemp5 = int(fTemp4);
			float fTemp6 = std::floor(fTemp4);
			float fTemp7 = fTemp3 + (-4.0f - fTemp6);
			float fTemp8 = fTemp3 + (-3.0f - fTemp6);
			float fTemp9 = fTemp3 + (-2.0f - fTemp6);
			float fTemp10 = fTemp9 * fTemp8;
			float fTemp11 = fTemp3 + (-5.0f - fTemp6);
			fRec0[0] = fVec0[(IOTA0 - std::min<int>(4096, std::max<int>(0, iTemp5))) & 4095] * (0.0f - fTemp9) * (0.0f - 0.5f * fTemp8) * (0.0f - 0.33333334f * fTemp7) * (0.0f - 0.25f * fTemp11) + (fTemp3 + (-1.0f - fTemp6)) * (fVec0[(IOTA0 - std::min<int>(4096, std::max<int>(0, iTemp5 + 1))) & 4095] * (0.0f - fTemp8) * (0.0f - 0.5f * fTemp7) * (0.0f - 0.33333334f * fTemp11) + 0.5f * fTemp9 * fVec0[(IOTA0 - std::min<int>(4096, std::max<int>(0, iTemp5 + 2))) & 4095] * (0.0f - fTemp7) * (0.0f - 0.5f * fTemp11) + 0.16666667f * fTemp10 * fVec0[(IOTA0 - std::min<int>(4096, std::max<int>(0, iTemp5 + 3))) & 4095] * (0.0f - fTemp11) + 0.041666668f * fTemp10 * fTemp7 * fVec0[(IOTA0 - std::min<int>(4096, std::max<int>(0, iTemp5 + 4))) & 4095]);
			output0[i0] = FAUSTFLOAT(fRec0[0]);
			float fTemp12 = fTemp1 + fSlow0 * fRec2[1];
			fVec1[IOTA0 & 4095] = fTemp12;
			float fTemp13 = std::min<float>(4088.0f, fSlow3 * (1.0f - fSlow2 * (std::sin(6.2831855f * (fRec1[0] + 0.25f)) + 1.0f)) + 2.0f);
			float fTemp14 = fTemp13 + -2.499995f;
			int iTemp15 = int(fTemp14);
			float fTemp16 = std::floor(fTemp14);
			float fTemp17 = fTemp13 + (-4.0f - fTemp16);
			float fTemp18 = fTemp13 + (-3.0f - fTemp16);
			float fTemp19 = fTemp13 + (-2.0f - fTemp16);
			float fTemp20 = fTemp19 * fTemp18;
			float fTemp21 = fTemp13 + (-5.0f - fTemp16);
			fRec2[0] = fVec1[(IOTA0 - std::min<int>(4096, std::max<int>(0, iTemp15))) & 4095] * (0.0f - fTemp19) * (0.0f - 0.5f * fTemp18) * (0.0f - 0.33333334f * fTemp17) * (0.0f - 0.25f * fTemp21) + (fTemp13 + (-1.0f - fTemp16)) * (fVec1[(IOTA0 - std::min<int>(4096, std::max<int>(0, iTemp15 + 1))) & 4095] * (0.0f - fTemp18) * (0.0f - 0.5f * fTemp17) * (0.0f - 0.33333334f * fTemp21) + 0.5f * fTemp19 * fVec1[(IOTA0 - std::min<int>(4096, std::max<int>(0, iTemp15 + 2))) & 4095] * (0.0f - fTemp17) * (0.0f - 0.5f * fTemp21) + 0.16666667f * fTemp20 * fVec1[(IOTA0 - std::min<int>(4096, std::max<int>(0, iTemp15 + 3))) & 4095] * (0.0f - fTemp21) + 0.041666668f * fTemp20 * fTemp17 * fVec1[(IOTA0 - std::min<int>(4096, std::max<int>(0, iTemp15 + 4))) & 4095]);
			output1[i0] = FAUSTFLOAT(fRec2[0]);
			IOTA0 = IOTA0 + 1;
			fRec1[1] = fRec1[0];
			fRec0[1] = fRec0[0];
			fRec2[1] = fRec2[0];
		}
	}

};
} // namespace puretone::generated

#endif
