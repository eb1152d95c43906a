/* ------------------------------------------------------------
license: "GPL-3.0-or-later"
name: "compressor"
Code generated with Faust 2.54.9 (https://faust.grame.fr)
Compilation options: -a src/effects/faust/architecture.txt -lang cpp -inpl -cn Compressor -es 1 -mcd 16 -single -ftz 0
------------------------------------------------------------ */

#ifndef  __Compressor_H__
#define  __Compressor_H__

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
#define FAUSTCLASS Compressor
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

static float Compressor_faustpower2_f(float value) {
	return value * value;
}

class Compressor : public dsp {
	
 private:
	
	FAUSTFLOAT fHslider0;
	FAUSTFLOAT fHslider1;
	FAUSTFLOAT fHslider2;
	FAUSTFLOAT fHslider3;
	int fSampleRate;
	float fConst0;
	FAUSTFLOAT fHslider4;
	float fRec0[2];
	float fRec1[2];
	FAUSTFLOAT fHbargraph0;
	FAUSTFLOAT fHslider5;
	
 public:
	
	void metadata(Meta* m) { 
		m->declare("basics.lib/bypass1:author", "Julius Smith");
		m->declare("basics.lib/name", "Faust Basic Element Library");
		m->declare("basics.lib/parallelMin:author", "Bart Brouns");
		m->declare("basics.lib/parallelMin:copyright", "Copyright (c) 2020 Bart Brouns <bart@magnetophon.nl>");
		m->declare("basics.lib/parallelMin:licence", "GPL-3.0");
		m->declare("basics.lib/parallelOp:author", "Bart Brouns");
		m->declare("basics.lib/parallelOp:copyright", "Copyright (c) 2020 Bart Brouns <bart@magnetophon.nl>");
		m->declare("basics.lib/parallelOp:licence", "GPL-3.0");
		m->declare("basics.lib/version", "0.9");
		m->declare("compile_options", "-a src/effects/faust/architecture.txt -lang cpp -inpl -cn Compressor -es 1 -mcd 16 -single -ftz 0");
		m->declare("compressors.lib/FFcompressor_N_chan:author", "Bart Brouns");
		m->declare("compressors.lib/FFcompressor_N_chan:license", "GPLv3");
		m->declare("compressors.lib/name", "Faust Compressor Effect Library");
		m->declare("compressors.lib/peak_compression_gain_N_chan_db:author", "Bart Brouns");
		m->declare("compressors.lib/peak_compression_gain_N_chan_db:license", "GPLv3");
		m->declare("compressors.lib/peak_compression_gain_mono_db:author", "Bart Brouns");
		m->declare("compressors.lib/peak_compression_gain_mono_db:license", "GPLv3");
		m->declare("compressors.lib/version", "0.4");
		m->declare("filename", "compressor.dsp");
		m->declare("interpolators.lib/interpolate_linear:author", "Stéphane Letz");
		m->declare("interpolators.lib/interpolate_linear:licence", "MIT");
		m->declare("interpolators.lib/name", "Faust Interpolator Library");
		m->declare("interpolators.lib/version", "0.3");
		m->declare("license", "GPL-3.0-or-later");
		m->declare("maths.lib/author", "GRAME");
		m->declare("maths.lib/copyright", "GRAME");
		m->declare("maths.lib/license", "LGPL with exception");
		m->declare("maths.lib/name", "Faust Math Library");
		m->declare("maths.lib/version", "2.5");
		m->declare("name", "compressor");
		m->declare("platform.lib/name", "Generic Platform Library");
		m->declare("platform.lib/version", "0.3");
		m->declare("routes.lib/name", "Faust Signal Routing Library");
		m->declare("routes.lib/version", "0.2");
		m->declare("signals.lib/name", "Faust Signal Routing Library");
		m->declare("signals.lib/onePoleSwitching:author", "Jonatan Liljedahl, revised by Dario Sanfilippo");
		m->declare("signals.lib/onePoleSwitching:licence", "STK-4.3");
		m->declare("signals.lib/version", "0.3");
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
		fConst0 = 1.0f / std::min<float>(1.92e+05f, std::max<float>(1.0f, float(fSampleRate)));
	}
	
	virtual void instanceResetUserInterface() {
		fHslider0 = FAUSTFLOAT(6.0f);
		fHslider1 = FAUSTFLOAT(-18.0f);
		fHslider2 = FAUSTFLOAT(3.0f);
		fHslider3 = FAUSTFLOAT(0.01f);
		fHslider4 = FAUSTFLOAT(0.15f);
		fHslider5 = FAUSTFLOAT(0.0f);
	}
	
	virtual void instanceClear() {
		for (int l0 = 0; l0 < 2; l0 = l0 + 1) {
			fRec0[l0] = 0.0f;
		}
		for (int l1 = 0; l1 < 2; l1 = l1 + 1) {
			fRec1[l1] = 0.0f;
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
	
	virtual Compressor* clone() {
		return new Compressor();
	}
	
	virtual int getSampleRate() {
		return fSampleRate;
	}
	
	virtual void buildUserInterface(UI* ui_interface) {
		ui_interface->openVerticalBox("compressor");
		ui_interface->addHorizontalSlider("attack", &fHslider3, FAUSTFLOAT(0.01f), FAUSTFLOAT(0.0001f), FAUSTFLOAT(0.2f), FAUSTFLOAT(0.0001f));
		ui_interface->addHorizontalSlider("gain", &fHslider5, FAUSTFLOAT(0.0f), FAUSTFLOAT(0.0f), FAUSTFLOAT(24.0f), FAUSTFLOAT(0.1f));
		ui_interface->addHorizontalBargraph("held", &fHbargraph0, FAUSTFLOAT(-6e+01f), FAUSTFLOAT(0.0f));
		ui_interface->addHorizontalSlider("knee", &fHslider0, FAUSTFLOAT(6.0f), FAUSTFLOAT(0.0f), FAUSTFLOAT(24.0f), FAUSTFLOAT(0.1f));
		ui_interface->addHorizontalSlider("ratio", &fHslider2, FAUSTFLOAT(3.0f), FAUSTFLOAT(1.0f), FAUSTFLOAT(2e+01f), FAUSTFLOAT(0.01f));
		ui_interface->addHorizontalSlider("release", &fHslider4, FAUSTFLOAT(0.15f), FAUSTFLOAT(0.01f), FAUSTFLOAT(2.0f), FAUSTFLOAT(0.001f));
		ui_interface->addHorizontalSlider("threshold", &fHslider1, FAUSTFLOAT(-18.0f), FAUSTFLOAT(-6e+01f), FAUSTFLOAT(0.0f), FAUSTFLOAT(0.1f));
		ui_interface->closeBox();
	}
	
	virtual void compute(int count, FAUSTFLOAT** inputs, FAUSTFLOAT** outputs) {
		FAUSTFLOAT* input0 = inputs[0];
		FAUSTFLOAT* input1 = inputs[1];
		FAUSTFLOAT* output0 = outputs[0];
		FAUSTFLOAT* output1 = outputs[1];
		float fSlow0 = float(fHslider0);
		float fSlow1 = 0.5f * fSlow0;
		float fSlow2 = float(fHslider1);
		float fSlow3 = fSlow2 + fSlow1;
		float fSlow4 = fSlow2 - fSlow1;
		float fSlow5 = 0.5f / std::max<float>(1.1920929e-07f, fSlow0);
		float fSlow6 = 1.0f - 1.0f / float(fHslider2);
		float fSlow7 = float(fHslider3);
		int iSlow8 = std::fabs(fSlow7) < 1.1920929e-07f;
		float fSlow9 = ((iSlow8) ? 0.0f : std::exp(0.0f - fConst0 / ((iSlow8) ? 1.0f : fSlow7)));
		float fSlow10 = float(fHslider4);
		int iSlow11 = std::fabs(fSlow10) < 1.1920929e-07f;
		float fSlow12 = ((iSlow11) ? 0.0f : std::exp(0.0f - fConst0 / ((iSlow11) ? 1.0f : fSlow10)));
		float fSlow13 = std::pow(1e+01f, 0.05f * float(fHslider5));
		for (int i0 = 0; i0 < count; i0 = i0 + 1) {
			float fTemp0 = float(input0[i0]);
			float fTemp1 = float(input1[i0]);
			float fTemp2 = 2e+01f * std::log10(std::max<float>(1.1754944e-38f, std::fabs(fTemp0)));
			int iTemp3 = (fTemp2 > fSlow4) + (fTemp2 > fSlow3);
			float fTemp4 = fTemp2 - fSlow2;
			float fTemp5 = 0.0f - fSlow6 * std::max<float>(0.0f, ((iTemp3 == 0) ? 0.0f : ((iTemp3 == 1) ? fSlow5 * Compressor_faustpower2_f(fSlow1 + fTemp4) : fTemp4)));
			float fTemp6 = ((fTemp5 > fRec0[1]) ? fSlow12 : fSlow9);
			fRec0[0] = fTemp5 * (1.0f - fTemp6) + fRec0[1] * fTemp6;
			float fTemp7 = 2e+01f * std::log10(std::max<float>(1.1754944e-38f, std::fabs(fTemp1)));
			int iTemp8 = (fTemp7 > fSlow4) + (fTemp7 > fSlow3);
			float fTemp9 = fTemp7 - fSlow2;
			float fTemp10 = 0.0f - fSlow6 * std::max<float>(0.0f, ((iTemp8 == 0) ? 0.0f : ((iTemp8 == 1) ? fSlow5 * Compressor_faustpower2_f(fSlow1 + fTemp9) : fTemp9)));
			float fTemp11 = ((fTemp10 > fRec1[1]) ? fSlow12 : fSlow9);
			fRec1[0] = fTemp10 * (1.0f - fTemp11) + fRec1[1] * fTemp11;
			float fTemp12 = std::min<float>(fRec0[0], fRec1[0]);
			fHbargraph0 = FAUSTFLOAT(fTemp12);
			float fTemp13 = std::pow(1e+01f, 0.05f * fTemp12);
			output0[i0] = FAUSTFLOAT(fSlow13 * fTemp0 * fTemp13);
			output1[i0] = FAUSTFLOAT(fSlow13 * fTemp1 * fTemp13);
			fRec0[1] = fRec0[0];
			fRec1[1] = fRec1[0];
		}
	}

};
} // namespace puretone::generated

#endif
