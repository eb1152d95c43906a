/* ------------------------------------------------------------
license: "GPL-3.0-or-later"
name: "reverb"
Code generated with Faust 2.54.9 (https://faust.grame.fr)
Compilation options: -a src/effects/faust/architecture.txt -lang cpp -inpl -cn Reverb -es 1 -mcd 16 -single -ftz 0
------------------------------------------------------------ */

#ifndef  __Reverb_H__
#define  __Reverb_H__

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
#define FAUSTCLASS Reverb
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

static float Reverb_faustpower2_f(float value) {
	return value * value;
}
static float Reverb_faustpower4_f(float value) {
	return value * value * value * value;
}

class Reverb : public dsp {
	
 private:
	
	int IOTA0;
	float fVec0[262144];
	float fVec1[262144];
	FAUSTFLOAT fEntry0;
	FAUSTFLOAT fHslider0;
	FAUSTFLOAT fHslider1;
	int fSampleRate;
	float fConst0;
	float fConst1;
	float fConst2;
	FAUSTFLOAT fHslider2;
	float fConst3;
	float fConst4;
	float fConst5;
	float fRec10[262144];
	float fRec11[2];
	float fRec12[2];
	float fRec13[2];
	float fRec14[2];
	FAUSTFLOAT fHslider3;
	float fRec23[2];
	float fRec24[2];
	float fRec25[2];
	float fRec26[2];
	float fVec2[8192];
	float fConst6;
	float fRec27[2];
	float fRec28[2];
	float fRec29[2];
	float fRec30[2];
	float fRec21[2];
	float fVec3[8192];
	float fConst7;
	float fRec31[2];
	float fRec32[2];
	float fRec33[2];
	float fRec34[2];
	float fRec19[2];
	float fVec4[8192];
	float fConst8;
	float fRec35[2];
	float fRec36[2];
	float fRec37[2];
	float fRec38[2];
	float fRec17[2];
	float fVec5[8192];
	float fConst9;
	float fRec39[2];
	float fRec40[2];
	float fRec41[2];
	float fRec42[2];
	float fRec15[2];
	float fVec6[32768];
	float fRec43[2];
	float fRec44[2];
	float fRec45[2];
	float fRec46[2];
	float fRec8[2];
	float fConst10;
	float fConst11;
	float fRec49[262144];
	float fRec50[2];
	float fRec51[2];
	float fRec52[2];
	float fRec53[2];
	float fVec7[32768];
	float fRec54[2];
	float fRec55[2];
	float fRec56[2];
	float fRec57[2];
	float fRec47[2];
	float fConst12;
	float fConst13;
	float fRec60[262144];
	float fRec61[2];
	float fRec62[2];
	float fRec63[2];
	float fRec64[2];
	float fVec8[32768];
	float fRec65[2];
	float fRec66[2];
	float fRec67[2];
	float fRec68[2];
	float fRec58[2];
	float fConst14;
	float fConst15;
	float fRec71[262144];
	float fRec72[2];
	float fRec73[2];
	float fRec74[2];
	float fRec75[2];
	float fVec9[32768];
	float fRec76[2];
	float fRec77[2];
	float fRec78[2];
	float fRec79[2];
	float fRec69[2];
	float fConst16;
	float fVec10[8192];
	float fRec88[2];
	float fVec11[8192];
	float fRec86[2];
	float fVec12[8192];
	float fRec84[2];
	float fVec13[8192];
	float fRec82[2];
	float fConst17;
	float fRec90[262144];
	float fRec91[2];
	float fRec92[2];
	float fRec93[2];
	float fRec94[2];
	float fVec14[32768];
	float fRec95[2];
	float fRec96[2];
	float fRec97[2];
	float fRec98[2];
	float fRec80[2];
	float fConst18;
	float fConst19;
	float fRec101[262144];
	float fRec102[2];
	float fRec103[2];
	float fRec104[2];
	float fRec105[2];
	float fVec15[32768];
	float fRec106[2];
	float fRec107[2];
	float fRec108[2];
	float fRec109[2];
	float fRec99[2];
	float fConst20;
	float fConst21;
	float fRec112[262144];
	float fRec113[2];
	float fRec114[2];
	float fRec115[2];
	float fRec116[2];
	float fVec16[32768];
	float fRec117[2];
	float fRec118[2];
	float fRec119[2];
	float fRec120[2];
	float fRec110[2];
	float fConst22;
	float fConst23;
	float fRec123[262144];
	float fRec124[2];
	float fRec125[2];
	float fRec126[2];
	float fRec127[2];
	float fVec17[32768];
	float fRec128[2];
	float fRec129[2];
	float fRec130[2];
	float fRec131[2];
	float fRec121[2];
	float fRec0[2];
	float fRec1[2];
	float fRec2[2];
	float fRec3[2];
	float fRec4[2];
	float fRec5[2];
	float fRec6[2];
	float fRec7[2];
	FAUSTFLOAT fHslider4;
	
 public:
	
	void metadata(Meta* m) { 
		m->declare("basics.lib/name", "Faust Basic Element Library");
		m->declare("basics.lib/version", "0.9");
		m->declare("compile_options", "-a src/effects/faust/architecture.txt -lang cpp -inpl -cn Reverb -es 1 -mcd 16 -single -ftz 0");
		m->declare("delays.lib/name", "Faust Delay Library");
		m->declare("delays.lib/version", "0.1");
		m->declare("filename", "reverb.dsp");
		m->declare("license", "GPL-3.0-or-later");
		m->declare("maths.lib/author", "GRAME");
		m->declare("maths.lib/copyright", "GRAME");
		m->declare("maths.lib/license", "LGPL with exception");
		m->declare("maths.lib/name", "Faust Math Library");
		m->declare("maths.lib/version", "2.5");
		m->declare("name", "reverb");
		m->declare("platform.lib/name", "Generic Platform Library");
		m->declare("platform.lib/version", "0.3");
		m->declare("routes.lib/hadamard:author", "Remy Muller, revised by Romain Michon");
		m->declare("routes.lib/name", "Faust Signal Routing Library");
		m->declare("routes.lib/version", "0.2");
		m->declare("signals.lib/name", "Faust Signal Routing Library");
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
		fConst0 = std::min<float>(1.92e+05f, std::max<float>(1.0f, float(fSampleRate)));
		fConst1 = 0.022904f * fConst0;
		fConst2 = 1.0f / fConst0;
		fConst3 = 0.174713f * fConst0;
		fConst4 = 0.45f * fConst0;
		fConst5 = 6.2831855f / fConst0;
		fConst6 = std::max<float>(4.0f, std::floor(0.004771f * fConst0)) + -1.0f;
		fConst7 = std::max<float>(4.0f, std::floor(0.003595f * fConst0)) + -1.0f;
		fConst8 = std::max<float>(4.0f, std::floor(0.012735f * fConst0)) + -1.0f;
		fConst9 = std::max<float>(4.0f, std::floor(0.009307f * fConst0)) + -1.0f;
		fConst10 = 0.020346f * fConst0;
		fConst11 = 0.153129f * fConst0;
		fConst12 = 0.031604f * fConst0;
		fConst13 = 0.127837f * fConst0;
		fConst14 = 0.013458f * fConst0;
		fConst15 = 0.125f * fConst0;
		fConst16 = 0.024421f * fConst0;
		fConst17 = 0.210389f * fConst0;
		fConst18 = 0.029291f * fConst0;
		fConst19 = 0.192303f * fConst0;
		fConst20 = 0.027333f * fConst0;
		fConst21 = 0.256891f * fConst0;
		fConst22 = 0.019123f * fConst0;
		fConst23 = 0.219991f * fConst0;
	}
	
	virtual void instanceResetUserInterface() {
		fEntry0 = FAUSTFLOAT(1.0f);
		fHslider0 = FAUSTFLOAT(2.2f);
		fHslider1 = FAUSTFLOAT(0.5f);
		fHslider2 = FAUSTFLOAT(6e+03f);
		fHslider3 = FAUSTFLOAT(0.02f);
		fHslider4 = FAUSTFLOAT(1.0f);
	}
	
	virtual void instanceClear() {
		IOTA0 = 0;
		for (int l0 = 0; l0 < 262144; l0 = l0 + 1) {
			fVec0[l0] = 0.0f;
		}
		for (int l1 = 0; l1 < 262144; l1 = l1 + 1) {
			fVec1[l1] = 0.0f;
		}
		for (int l2 = 0; l2 < 262144; l2 = l2 + 1) {
			fRec10[l2] = 0.0f;
		}
		for (int l3 = 0; l3 < 2; l3 = l3 + 1) {
			fRec11[l3] = 0.0f;
		}
		for (int l4 = 0; l4 < 2; l4 = l4 + 1) {
			fRec12[l4] = 0.0f;
		}
		for (int l5 = 0; l5 < 2; l5 = l5 + 1) {
			fRec13[l5] = 0.0f;
		}
		for (int l6 = 0; l6 < 2; l6 = l6 + 1) {
			fRec14[l6] = 0.0f;
		}
		for (int l7 = 0; l7 < 2; l7 = l7 + 1) {
			fRec23[l7] = 0.0f;
		}
		for (int l8 = 0; l8 < 2; l8 = l8 + 1) {
			fRec24[l8] = 0.0f;
		}
		for (int l9 = 0; l9 < 2; l9 = l9 + 1) {
			fRec25[l9] = 0.0f;
		}
		for (int l10 = 0; l10 < 2; l10 = l10 + 1) {
			fRec26[l10] = 0.0f;
		}
		for (int l11 = 0; l11 < 8192; l11 = l11 + 1) {
			fVec2[l11] = 0.0f;
		}
		for (int l12 = 0; l12 < 2; l12 = l12 + 1) {
			fRec27[l12] = 0.0f;
		}
		for (int l13 = 0; l13 < 2; l13 = l13 + 1) {
			fRec28[l13] = 0.0f;
		}
		for (int l14 = 0; l14 < 2; l14 = l14 + 1) {
			fRec29[l14] = 0.0f;
		}
		for (int l15 = 0; l15 < 2; l15 = l15 + 1) {
			fRec30[l15] = 0.0f;
		}
		for (int l16 = 0; l16 < 2; l16 = l16 + 1) {
			fRec21[l16] = 0.0f;
		}
		for (int l17 = 0; l17 < 8192; l17 = l17 + 1) {
			fVec3[l17] = 0.0f;
		}
		for (int l18 = 0; l18 < 2; l18 = l18 + 1) {
			fRec31[l18] = 0.0f;
		}
		for (int l19 = 0; l19 < 2; l19 = l19 + 1) {
			fRec32[l19] = 0.0f;
		}
		for (int l20 = 0; l20 < 2; l20 = l20 + 1) {
			fRec33[l20] = 0.0f;
		}
		for (int l21 = 0; l21 < 2; l21 = l21 + 1) {
			fRec34[l21] = 0.0f;
		}
		for (int l22 = 0; l22 < 2; l22 = l22 + 1) {
			fRec19[l22] = 0.0f;
		}
		for (int l23 = 0; l23 < 8192; l23 = l23 + 1) {
			fVec4[l23] = 0.0f;
		}
		for (int l24 = 0; l24 < 2; l24 = l24 + 1) {
			fRec35[l24] = 0.0f;
		}
		for (int l25 = 0; l25 < 2; l25 = l25 + 1) {
			fRec36[l25] = 0.0f;
		}
		for (int l26 = 0; l26 < 2; l26 = l26 + 1) {
			fRec37[l26] = 0.0f;
		}
		for (int l27 = 0; l27 < 2; l27 = l27 + 1) {
			fRec38[l27] = 0.0f;
		}
		for (int l28 = 0; l28 < 2; l28 = l28 + 1) {
			fRec17[l28] = 0.0f;
		}
		for (int l29 = 0; l29 < 8192; l29 = l29 + 1) {
			fVec5[l29] = 0.0f;
		}
		for (int l30 = 0; l30 < 2; l30 = l30 + 1) {
			fRec39[l30] = 0.0f;
		}
		for (int l31 = 0; l31 < 2; l31 = l31 + 1) {
			fRec40[l31] = 0.0f;
		}
		for (int l32 = 0; l32 < 2; l32 = l32 + 1) {
			fRec41[l32] = 0.0f;
		}
		for (int l33 = 0; l33 < 2; l33 = l33 + 1) {
			fRec42[l33] = 0.0f;
		}
		for (int l34 = 0; l34 < 2; l34 = l34 + 1) {
			fRec15[l34] = 0.0f;
		}
		for (int l35 = 0; l35 < 32768; l35 = l35 + 1) {
			fVec6[l35] = 0.0f;
		}
		for (int l36 = 0; l36 < 2; l36 = l36 + 1) {
			fRec43[l36] = 0.0f;
		}
		for (int l37 = 0; l37 < 2; l37 = l37 + 1) {
			fRec44[l37] = 0.0f;
		}
		for (int l38 = 0; l38 < 2; l38 = l38 + 1) {
			fRec45[l38] = 0.0f;
		}
		for (int l39 = 0; l39 < 2; l39 = l39 + 1) {
			fRec46[l39] = 0.0f;
		}
		for (int l40 = 0; l40 < 2; l40 = l40 + 1) {
			fRec8[l40] = 0.0f;
		}
		for (int l41 = 0; l41 < 262144; l41 = l41 + 1) {
			fRec49[l41] = 0.0f;
		}
		for (int l42 = 0; l42 < 2; l42 = l42 + 1) {
			fRec50[l42] = 0.0f;
		}
		for (int l43 = 0; l43 < 2; l43 = l43 + 1) {
			fRec51[l43] = 0.0f;
		}
		for (int l44 = 0; l44 < 2; l44 = l44 + 1) {
			fRec52[l44] = 0.0f;
		}
		for (int l45 = 0; l45 < 2; l45 = l45 + 1) {
			fRec53[l45] = 0.0f;
		}
		for (int l46 = 0; l46 < 32768; l46 = l46 + 1) {
			fVec7[l46] = 0.0f;
		}
		for (int l47 = 0; l47 < 2; l47 = l47 + 1) {
			fRec54[l47] = 0.0f;
		}
		for (int l48 = 0; l48 < 2; l48 = l48 + 1) {
			fRec55[l48] = 0.0f;
		}
		for (int l49 = 0; l49 < 2; l49 = l49 + 1) {
			fRec56[l49] = 0.0f;
		}
		for (int l50 = 0; l50 < 2; l50 = l50 + 1) {
			fRec57[l50] = 0.0f;
		}
		for (int l51 = 0; l51 < 2; l51 = l51 + 1) {
			fRec47[l51] = 0.0f;
		}
		for (int l52 = 0; l52 < 262144; l52 = l52 + 1) {
			fRec60[l52] = 0.0f;
		}
		for (int l53 = 0; l53 < 2; l53 = l53 + 1) {
			fRec61[l53] = 0.0f;
		}
		for (int l54 = 0; l54 < 2; l54 = l54 + 1) {
			fRec62[l54] = 0.0f;
		}
		for (int l55 = 0; l55 < 2; l55 = l55 + 1) {
			fRec63[l55] = 0.0f;
		}
		for (int l56 = 0; l56 < 2; l56 = l56 + 1) {
			fRec64[l56] = 0.0f;
		}
		for (int l57 = 0; l57 < 32768; l57 = l57 + 1) {
			fVec8[l57] = 0.0f;
		}
		for (int l58 = 0; l58 < 2; l58 = l58 + 1) {
			fRec65[l58] = 0.0f;
		}
		for (int l59 = 0; l59 < 2; l59 = l59 + 1) {
			fRec66[l59] = 0.0f;
		}
		for (int l60 = 0; l60 < 2; l60 = l60 + 1) {
			fRec67[l60] = 0.0f;
		}
		for (int l61 = 0; l61 < 2; l61 = l61 + 1) {
			fRec68[l61] = 0.0f;
		}
		for (int l62 = 0; l62 < 2; l62 = l62 + 1) {
			fRec58[l62] = 0.0f;
		}
		for (int l63 = 0; l63 < 262144; l63 = l63 + 1) {
			fRec71[l63] = 0.0f;
		}
		for (int l64 = 0; l64 < 2; l64 = l64 + 1) {
			fRec72[l64] = 0.0f;
		}
		for (int l65 = 0; l65 < 2; l65 = l65 + 1) {
			fRec73[l65] = 0.0f;
		}
		for (int l66 = 0; l66 < 2; l66 = l66 + 1) {
			fRec74[l66] = 0.0f;
		}
		for (int l67 = 0; l67 < 2; l67 = l67 + 1) {
			fRec75[l67] = 0.0f;
		}
		for (int l68 = 0; l68 < 32768; l68 = l68 + 1) {
			fVec9[l68] = 0.0f;
		}
		for (int l69 = 0; l69 < 2; l69 = l69 + 1) {
			fRec76[l69] = 0.0f;
		}
		for (int l70 = 0; l70 < 2; l70 = l70 + 1) {
			fRec77[l70] = 0.0f;
		}
		for (int l71 = 0; l71 < 2; l71 = l71 + 1) {
			fRec78[l71] = 0.0f;
		}
		for (int l72 = 0; l72 < 2; l72 = l72 + 1) {
			fRec79[l72] = 0.0f;
		}
		for (int l73 = 0; l73 < 2; l73 = l73 + 1) {
			fRec69[l73] = 0.0f;
		}
		for (int l74 = 0; l74 < 8192; l74 = l74 + 1) {
			fVec10[l74] = 0.0f;
		}
		for (int l75 = 0; l75 < 2; l75 = l75 + 1) {
			fRec88[l75] = 0.0f;
		}
		for (int l76 = 0; l76 < 8192; l76 = l76 + 1) {
			fVec11[l76] = 0.0f;
		}
		for (int l77 = 0; l77 < 2; l77 = l77 + 1) {
			fRec86[l77] = 0.0f;
		}
		for (int l78 = 0; l78 < 8192; l78 = l78 + 1) {
			fVec12[l78] = 0.0f;
		}
		for (int l79 = 0; l79 < 2; l79 = l79 + 1) {
			fRec84[l79] = 0.0f;
		}
		for (int l80 = 0; l80 < 8192; l80 = l80 + 1) {
			fVec13[l80] = 0.0f;
		}
		for (int l81 = 0; l81 < 2; l81 = l81 + 1) {
			fRec82[l81] = 0.0f;
		}
		for (int l82 = 0; l82 < 262144; l82 = l82 + 1) {
			fRec90[l82] = 0.0f;
		}
		for (int l83 = 0; l83 < 2; l83 = l83 + 1) {
			fRec91[l83] = 0.0f;
		}
		for (int l84 = 0; l84 < 2; l84 = l84 + 1) {
			fRec92[l84] = 0.0f;
		}
		for (int l85 = 0; l85 < 2; l85 = l85 + 1) {
			fRec93[l85] = 0.0f;
		}
		for (int l86 = 0; l86 < 2; l86 = l86 + 1) {
			fRec94[l86] = 0.0f;
		}
		for (int l87 = 0; l87 < 32768; l87 = l87 + 1) {
			fVec14[l87] = 0.0f;
		}
		for (int l88 = 0; l88 < 2; l88 = l88 + 1) {
			fRec95[l88] = 0.0f;
		}
		for (int l89 = 0; l89 < 2; l89 = l89 + 1) {
			fRec96[l89] = 0.0f;
		}
		for (int l90 = 0; l90 < 2; l90 = l90 + 1) {
			fRec97[l90] = 0.0f;
		}
		for (int l91 = 0; l91 < 2; l91 = l91 + 1) {
			fRec98[l91] = 0.0f;
		}
		for (int l92 = 0; l92 < 2; l92 = l92 + 1) {
			fRec80[l92] = 0.0f;
		}
		for (int l93 = 0; l93 < 262144; l93 = l93 + 1) {
			fRec101[l93] = 0.0f;
		}
		for (int l94 = 0; l94 < 2; l94 = l94 + 1) {
			fRec102[l94] = 0.0f;
		}
		for (int l95 = 0; l95 < 2; l95 = l95 + 1) {
			fRec103[l95] = 0.0f;
		}
		for (int l96 = 0; l96 < 2; l96 = l96 + 1) {
			fRec104[l96] = 0.0f;
		}
		for (int l97 = 0; l97 < 2; l97 = l97 + 1) {
			fRec105[l97] = 0.0f;
		}
		for (int l98 = 0; l98 < 32768; l98 = l98 + 1) {
			fVec15[l98] = 0.0f;
		}
		for (int l99 = 0; l99 < 2; l99 = l99 + 1) {
			fRec106[l99] = 0.0f;
		}
		for (int l100 = 0; l100 < 2; l100 = l100 + 1) {
			fRec107[l100] = 0.0f;
		}
		for (int l101 = 0; l101 < 2; l101 = l101 + 1) {
			fRec108[l101] = 0.0f;
		}
		for (int l102 = 0; l102 < 2; l102 = l102 + 1) {
			fRec109[l102] = 0.0f;
		}
		for (int l103 = 0; l103 < 2; l103 = l103 + 1) {
			fRec99[l103] = 0.0f;
		}
		for (int l104 = 0; l104 < 262144; l104 = l104 + 1) {
			fRec112[l104] = 0.0f;
		}
		for (int l105 = 0; l105 < 2; l105 = l105 + 1) {
			fRec113[l105] = 0.0f;
		}
		for (int l106 = 0; l106 < 2; l106 = l106 + 1) {
			fRec114[l106] = 0.0f;
		}
		for (int l107 = 0; l107 < 2; l107 = l107 + 1) {
			fRec115[l107] = 0.0f;
		}
		for (int l108 = 0; l108 < 2; l108 = l108 + 1) {
			fRec116[l108] = 0.0f;
		}
		for (int l109 = 0; l109 < 32768; l109 = l109 + 1) {
			fVec16[l109] = 0.0f;
		}
		for (int l110 = 0; l110 < 2; l110 = l110 + 1) {
			fRec117[l110] = 0.0f;
		}
		for (int l111 = 0; l111 < 2; l111 = l111 + 1) {
			fRec118[l111] = 0.0f;
		}
		for (int l112 = 0; l112 < 2; l112 = l112 + 1) {
			fRec119[l112] = 0.0f;
		}
		for (int l113 = 0; l113 < 2; l113 = l113 + 1) {
			fRec120[l113] = 0.0f;
		}
		for (int l114 = 0; l114 < 2; l114 = l114 + 1) {
			fRec110[l114] = 0.0f;
		}
		for (int l115 = 0; l115 < 262144; l115 = l115 + 1) {
			fRec123[l115] = 0.0f;
		}
		for (int l116 = 0; l116 < 2; l116 = l116 + 1) {
			fRec124[l116] = 0.0f;
		}
		for (int l117 = 0; l117 < 2; l117 = l117 + 1) {
			fRec125[l117] = 0.0f;
		}
		for (int l118 = 0; l118 < 2; l118 = l118 + 1) {
			fRec126[l118] = 0.0f;
		}
		for (int l119 = 0; l119 < 2; l119 = l119 + 1) {
			fRec127[l119] = 0.0f;
		}
		for (int l120 = 0; l120 < 32768; l120 = l120 + 1) {
			fVec17[l120] = 0.0f;
		}
		for (int l121 = 0; l121 < 2; l121 = l121 + 1) {
			fRec128[l121] = 0.0f;
		}
		for (int l122 = 0; l122 < 2; l122 = l122 + 1) {
			fRec129[l122] = 0.0f;
		}
		for (int l123 = 0; l123 < 2; l123 = l123 + 1) {
			fRec130[l123] = 0.0f;
		}
		for (int l124 = 0; l124 < 2; l124 = l124 + 1) {
			fRec131[l124] = 0.0f;
		}
		for (int l125 = 0; l125 < 2; l125 = l125 + 1) {
			fRec121[l125] = 0.0f;
		}
		for (int l126 = 0; l126 < 2; l126 = l126 + 1) {
			fRec0[l126] = 0.0f;
		}
		for (int l127 = 0; l127 < 2; l127 = l127 + 1) {
			fRec1[l127] = 0.0f;
		}
		for (int l128 = 0; l128 < 2; l128 = l128 + 1) {
			fRec2[l128] = 0.0f;
		}
		for (int l129 = 0; l129 < 2; l129 = l129 + 1) {
			fRec3[l129] = 0.0f;
		}
		for (int l130 = 0; l130 < 2; l130 = l130 + 1) {
			fRec4[l130] = 0.0f;
		}
		for (int l131 = 0; l131 < 2; l131 = l131 + 1) {
			fRec5[l131] = 0.0f;
		}
		for (int l132 = 0; l132 < 2; l132 = l132 + 1) {
			fRec6[l132] = 0.0f;
		}
		for (int l133 = 0; l133 < 2; l133 = l133 + 1) {
			fRec7[l133] = 0.0f;
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
	
	virtual Reverb* clone() {
		return new Reverb();
	}
	
	virtual int getSampleRate() {
		return fSampleRate;
	}
	
	virtual void buildUserInterface(UI* ui_interface) {
		ui_interface->openVerticalBox("reverb");
		ui_interface->addHorizontalSlider("damping", &fHslider2, FAUSTFLOAT(6e+03f), FAUSTFLOAT(5e+02f), FAUSTFLOAT(2e+04f), FAUSTFLOAT(1.0f));
		ui_interface->addHorizontalSlider("decay", &fHslider0, FAUSTFLOAT(2.2f), FAUSTFLOAT(0.1f), FAUSTFLOAT(3e+01f), FAUSTFLOAT(0.001f));
		ui_interface->addNumEntry("kind", &fEntry0, FAUSTFLOAT(1.0f), FAUSTFLOAT(0.0f), FAUSTFLOAT(3.0f), FAUSTFLOAT(1.0f));
		ui_interface->addHorizontalSlider("preDelay", &fHslider3, FAUSTFLOAT(0.02f), FAUSTFLOAT(0.0f), FAUSTFLOAT(0.5f), FAUSTFLOAT(0.0001f));
		ui_interface->addHorizontalSlider("size", &fHslider1, FAUSTFLOAT(0.5f), FAUSTFLOAT(0.0f), FAUSTFLOAT(1.0f), FAUSTFLOAT(0.001f));
		ui_interface->addHorizontalSlider("width", &fHslider4, FAUSTFLOAT(1.0f), FAUSTFLOAT(0.0f), FAUSTFLOAT(1.0f), FAUSTFLOAT(0.001f));
		ui_interface->closeBox();
	}
	
	virtual void compute(int count, FAUSTFLOAT** inputs, FAUSTFLOAT** outputs) {
		FAUSTFLOAT* input0 = inputs[0];
		FAUSTFLOAT* input1 = inputs[1];
		FAUSTFLOAT* output0 = outputs[0];
		FAUSTFLOAT* output1 = outputs[1];
		int iSlow0 = int(float(fEntry0));
		int iSlow1 = iSlow0 >= 2;
		int iSlow2 = iSlow0 >= 3;
		float fSlow3 = float(((iSlow1) ? ((iSlow2) ? 20 : 1) : 1));
		float fSlow4 = float(fHslider0);
		float fSlow5 = std::pow(2.0f / std::max<float>(0.1f, fSlow4 * fSlow3), 0.3f);
		int iSlow6 = iSlow0 >= 1;
		float fSlow7 = std::min<float>((1.2f * float(fHslider1) + 0.4f) * ((iSlow1) ? ((iSlow2) ? 1.25f : 0.3f) : ((iSlow6) ? 1.0f : 0.38f)), 0.5f * fSlow4);
		float fSlow8 = std::max<float>(8.0f, std::floor(fConst1 * fSlow7 + 0.5f));
		float fSlow9 = fConst2 / fSlow4;
		float fSlow10 = std::pow(0.001f, fSlow9 * (fSlow8 / fSlow3));
		float fSlow11 = float(fHslider2);
		int iSlow12 = fSlow11 < 1.99e+04f;
		float fSlow13 = std::max<float>(64.0f, std::floor(fConst3 * fSlow7 + 0.5f));
		float fSlow14 = Reverb_faustpower2_f(std::pow(0.001f, fSlow9 * (fSlow13 / fSlow3)));
		float fSlow15 = std::max<float>(1e-06f, 1.0f - fSlow14);
		float fSlow16 = std::cos(fConst5 * std::min<float>(fSlow11, fConst4));
		float fSlow17 = 1.0f - fSlow16 * fSlow14;
		float fSlow18 = ((iSlow12) ? fSlow17 / fSlow15 - std::sqrt(std::max<float>(0.0f, Reverb_faustpower2_f(fSlow17) / Reverb_faustpower2_f(fSlow15) + -1.0f)) : 0.0f);
		float fSlow19 = fSlow13 - fSlow8;
		float fSlow20 = std::pow(0.001f, fSlow9 * (fSlow19 / fSlow3));
		float fSlow21 = 1.0f - fSlow18;
		float fSlow22 = ((iSlow1) ? ((iSlow2) ? 0.6f : 0.7f) : ((iSlow6) ? 0.5f : 0.45f));
		float fSlow23 = std::floor(fConst0 * float(fHslider3));
		float fSlow24 = fSlow8 + -1.0f;
		float fSlow25 = std::max<float>(8.0f, std::floor(fConst10 * fSlow7 + 0.5f));
		float fSlow26 = std::pow(0.001f, fSlow9 * (fSlow25 / fSlow3));
		float fSlow27 = std::max<float>(64.0f, std::floor(fConst11 * fSlow7 + 0.5f));
		float fSlow28 = Reverb_faustpower2_f(std::pow(0.001f, fSlow9 * (fSlow27 / fSlow3)));
		float fSlow29 = std::max<float>(1e-06f, 1.0f - fSlow28);
		float fSlow30 = 1.0f - fSlow16 * fSlow28;
		float fSlow31 = ((iSlow12) ? fSlow30 / fSlow29 - std::sqrt(std::max<float>(0.0f, Reverb_faustpower2_f(fSlow30) / Reverb_faustpower2_f(fSlow29) + -1.0f)) : 0.0f);
		float fSlow32 = fSlow27 - fSlow25;
		float fSlow33 = std::pow(0.001f, fSlow9 * (fSlow32 / fSlow3));
		float fSlow34 = 1.0f - fSlow31;
		float fSlow35 = fSlow25 + -1.0f;
		float fSlow36 = std::max<float>(8.0f, std::floor(fConst12 * fSlow7 + 0.5f));
		float fSlow37 = std::pow(0.001f, fSlow9 * (fSlow36 / fSlow3));
		float fSlow38 = std::max<float>(64.0f, std::floor(fConst13 * fSlow7 + 0.5f));
		float fSlow39 = Reverb_faustpower2_f(std::pow(0.001f, fSlow9 * (fSlow38 / fSlow3)));
		float fSlow40 = std::max<float>(1e-06f, 1.0f - fSlow39);
		float fSlow41 = 1.0f - fSlow16 * fSlow39;
		float fSlow42 = ((iSlow12) ? fSlow41 / fSlow40 - std::sqrt(std::max<float>(0.0f, Reverb_faustpower2_f(fSlow41) / Reverb_faustpower2_f(fSlow40) + -1.0f)) : 0.0f);
		float fSlow43 = fSlow38 - fSlow36;
		float fSlow44 = std::pow(0.001f, fSlow9 * (fSlow43 / fSlow3));
		float fSlow45 = 1.0f - fSlow42;
		float fSlow46 = fSlow36 + -1.0f;
		float fSlow47 = std::max<float>(8.0f, std::floor(fConst14 * fSlow7 + 0.5f));
		float fSlow48 = std::pow(0.001f, fSlow9 * (fSlow47 / fSlow3));
		float fSlow49 = std::max<float>(64.0f, std::floor(fConst15 * fSlow7 + 0.5f));
		float fSlow50 = Reverb_faustpower2_f(std::pow(0.001f, fSlow9 * (fSlow49 / fSlow3)));
		float fSlow51 = std::max<float>(1e-06f, 1.0f - fSlow50);
		float fSlow52 = 1.0f - fSlow16 * fSlow50;
		float fSlow53 = ((iSlow12) ? fSlow52 / fSlow51 - std::sqrt(std::max<float>(0.0f, Reverb_faustpower2_f(fSlow52) / Reverb_faustpower2_f(fSlow51) + -1.0f)) : 0.0f);
		float fSlow54 = fSlow49 - fSlow47;
		float fSlow55 = std::pow(0.001f, fSlow9 * (fSlow54 / fSlow3));
		float fSlow56 = 1.0f - fSlow53;
		float fSlow57 = fSlow47 + -1.0f;
		float fSlow58 = std::max<float>(8.0f, std::floor(fConst16 * fSlow7 + 0.5f));
		float fSlow59 = std::pow(0.001f, fSlow9 * (fSlow58 / fSlow3));
		float fSlow60 = std::max<float>(64.0f, std::floor(fConst17 * fSlow7 + 0.5f));
		float fSlow61 = Reverb_faustpower2_f(std::pow(0.001f, fSlow9 * (fSlow60 / fSlow3)));
		float fSlow62 = std::max<float>(1e-06f, 1.0f - fSlow61);
		float fSlow63 = 1.0f - fSlow16 * fSlow61;
		float fSlow64 = ((iSlow12) ? fSlow63 / fSlow62 - std::sqrt(std::max<float>(0.0f, Reverb_faustpower2_f(fSlow63) / Reverb_faustpower2_f(fSlow62) + -1.0f)) : 0.0f);
		float fSlow65 = fSlow60 - fSlow58;
		float fSlow66 = std::pow(0.001f, fSlow9 * (fSlow65 / fSlow3));
		float fSlow67 = 1.0f - fSlow64;
		float fSlow68 = fSlow58 + -1.0f;
		float fSlow69 = std::max<float>(8.0f, std::floor(fConst18 * fSlow7 + 0.5f));
		float fSlow70 = std::pow(0.001f, fSlow9 * (fSlow69 / fSlow3));
		float fSlow71 = std::max<float>(64.0f, std::floor(fConst19 * fSlow7 + 0.5f));
		float fSlow72 = Reverb_faustpower2_f(std::pow(0.001f, fSlow9 * (fSlow71 / fSlow3)));
		float fSlow73 = std::max<float>(1e-06f, 1.0f - fSlow72);
		float fSlow74 = 1.0f - fSlow16 * fSlow72;
		float fSlow75 = ((iSlow12) ? fSlow74 / fSlow73 - std::sqrt(std::max<float>(0.0f, Reverb_faustpower2_f(fSlow74) / Reverb_faustpower2_f(fSlow73) + -1.0f)) : 0.0f);
		float fSlow76 = fSlow71 - fSlow69;
		float fSlow77 = std::pow(0.001f, fSlow9 * (fSlow76 / fSlow3));
		float fSlow78 = 1.0f - fSlow75;
		float fSlow79 = fSlow69 + -1.0f;
		float fSlow80 = std::max<float>(8.0f, std::floor(fConst20 * fSlow7 + 0.5f));
		float fSlow81 = std::pow(0.001f, fSlow9 * (fSlow80 / fSlow3));
		float fSlow82 = std::max<float>(64.0f, std::floor(fConst21 * fSlow7 + 0.5f));
		float fSlow83 = Reverb_faustpower2_f(std::pow(0.001f, fSlow9 * (fSlow82 / fSlow3)));
		float fSlow84 = std::max<float>(1e-06f, 1.0f - fSlow83);
		float fSlow85 = 1.0f - fSlow16 * fSlow83;
		float fSlow86 = ((iSlow12) ? fSlow85 / fSlow84 - std::sqrt(std::max<float>(0.0f, Reverb_faustpower2_f(fSlow85) / Reverb_faustpower2_f(fSlow84) + -1.0f)) : 0.0f);
		float fSlow87 = fSlow82 - fSlow80;
		float fSlow88 = std::pow(0.001f, fSlow9 * (fSlow87 / fSlow3));
		float fSlow89 = 1.0f - fSlow86;
		float fSlow90 = fSlow80 + -1.0f;
		float fSlow91 = std::max<float>(8.0f, std::floor(fConst22 * fSlow7 + 0.5f));
		float fSlow92 = std::pow(0.001f, fSlow9 * (fSlow91 / fSlow3));
		float fSlow93 = std::max<float>(64.0f, std::floor(fConst23 * fSlow7 + 0.5f));
		float fSlow94 = Reverb_faustpower2_f(std::pow(0.001f, fSlow9 * (fSlow93 / fSlow3)));
		float fSlow95 = std::max<float>(1e-06f, 1.0f - fSlow94);
		float fSlow96 = 1.0f - fSlow16 * fSlow94;
		float fSlow97 = ((iSlow12) ? fSlow96 / fSlow95 - std::sqrt(std::max<float>(0.0f, Reverb_faustpower2_f(fSlow96) / Reverb_faustpower2_f(fSlow95) + -1.0f)) : 0.0f);
		float fSlow98 = fSlow93 - fSlow91;
		float fSlow99 = std::pow(0.001f, fSlow9 * (fSlow98 / fSlow3));
		float fSlow100 = 1.0f - fSlow97;
		float fSlow101 = fSlow91 + -1.0f;
		float fSlow102 = float(fHslider4);
		for (int i0 = 0; i0 < count; i0 = i0 + 1) {
			float fTemp0 = float(input1[i0]);
			fVec0[IOTA0 & 262143] = fTemp0;
			float fTemp1 = float(input0[i0]);
			fVec1[IOTA0 & 262143] = fTemp1;
			fRec10[IOTA0 & 262143] = 0.35355338f * fSlow21 * fRec4[1] * fSlow20 + fSlow18 * fRec10[(IOTA0 - 1) & 262143];
			float fTemp2 = ((fRec11[1] != 0.0f) ? (((fRec12[1] > 0.0f) & (fRec12[1] < 1.0f)) ? fRec11[1] : 0.0f) : (((fRec12[1] == 0.0f) & (fSlow19 != fRec13[1])) ? 0.00048828125f : (((fRec12[1] == 1.0f) & (fSlow19 != fRec14[1])) ? -0.00048828125f : 0.0f)));
			fRec11[0] = fTemp2;
			fRec12[0] = std::max<float>(0.0f, std::min<float>(1.0f, fRec12[1] + fTemp2));
			fRec13[0] = (((fRec12[1] >= 1.0f) & (fRec14[1] != fSlow19)) ? fSlow19 : fRec13[1]);
			fRec14[0] = (((fRec12[1] <= 0.0f) & (fRec13[1] != fSlow19)) ? fSlow19 : fRec14[1]);
			float fTemp3 = fRec10[(IOTA0 - int(std::min<float>(131072.0f, std::max<float>(0.0f, fRec13[0])))) & 262143];
			float fTemp4 = fTemp3 + fRec12[0] * (fRec10[(IOTA0 - int(std::min<float>(131072.0f, std::max<float>(0.0f, fRec14[0])))) & 262143] - fTemp3);
			float fTemp5 = ((fRec23[1] != 0.0f) ? (((fRec24[1] > 0.0f) & (fRec24[1] < 1.0f)) ? fRec23[1] : 0.0f) : (((fRec24[1] == 0.0f) & (fSlow23 != fRec25[1])) ? 0.00048828125f : (((fRec24[1] == 1.0f) & (fSlow23 != fRec26[1])) ? -0.00048828125f : 0.0f)));
			fRec23[0] = fTemp5;
			fRec24[0] = std::max<float>(0.0f, std::min<float>(1.0f, fRec24[1] + fTemp5));
			fRec25[0] = (((fRec24[1] >= 1.0f) & (fRec26[1] != fSlow23)) ? fSlow23 : fRec25[1]);
			fRec26[0] = (((fRec24[1] <= 0.0f) & (fRec25[1] != fSlow23)) ? fSlow23 : fRec26[1]);
			int iTemp6 = int(std::min<float>(131072.0f, std::max<float>(0.0f, fRec25[0])));
			float fTemp7 = fVec1[(IOTA0 - iTemp6) & 262143];
			int iTemp8 = int(std::min<float>(131072.0f, std::max<float>(0.0f, fRec26[0])));
			float fTemp9 = fTemp7 + fRec24[0] * (fVec1[(IOTA0 - iTemp8) & 262143] - fTemp7) - fSlow22 * fRec21[1];
			fVec2[IOTA0 & 8191] = fTemp9;
			float fTemp10 = ((fRec27[1] != 0.0f) ? (((fRec28[1] > 0.0f) & (fRec28[1] < 1.0f)) ? fRec27[1] : 0.0f) : (((fRec28[1] == 0.0f) & (fConst6 != fRec29[1])) ? 0.00048828125f : (((fRec28[1] == 1.0f) & (fConst6 != fRec30[1])) ? -0.00048828125f : 0.0f)));
			fRec27[0] = fTemp10;
			fRec28[0] = std::max<float>(0.0f, std::min<float>(1.0f, fRec28[1] + fTemp10));
			fRec29[0] = (((fRec28[1] >= 1.0f) & (fRec30[1] != fConst6)) ? fConst6 : fRec29[1]);
			fRec30[0] = (((fRec28[1] <= 0.0f) & (fRec29[1] != fConst6)) ? fConst6 : fRec30[1]);
			int iTemp11 = int(std::min<float>(4096.0f, std::max<float>(0.0f, fRec29[0])));
			float fTemp12 = fVec2[(IOTA0 - iTemp11) & 8191];
			int iTemp13 = int(std::min<float>(4096.0f, std::max<float>(0.0f, fRec30[0])));
			fRec21[0] = fTemp12 + fRec28[0] * (fVec2[(IOTA0 - iTemp13) & 8191] - fTemp12);
			float fRec22 = fSlow22 * fTemp9;
			float fTemp14 = fRec22 + fRec21[1] - fSlow22 * fRec19[1];
			fVec3[IOTA0 & 8191] = fTemp14;
			float fTemp15 = ((fRec31[1] != 0.0f) ? (((fRec32[1] > 0.0f) & (fRec32[1] < 1.0f)) ? fRec31[1] : 0.0f) : (((fRec32[1] == 0.0f) & (fConst7 != fRec33[1])) ? 0.00048828125f : (((fRec32[1] == 1.0f) & (fConst7 != fRec34[1])) ? -0.00048828125f : 0.0f)));
			fRec31[0] = fTemp15;
			fRec32[0] = std::max<float>(0.0f, std::min<float>(1.0f, fRec32[1] + fTemp15));
			fRec33[0] = (((fRec32[1] >= 1.0f) & (fRec34[1] != fConst7)) ? fConst7 : fRec33[1]);
			fRec34[0] = (((fRec32[1] <= 0.0f) & (fRec33[1] != fConst7)) ? fConst7 : fRec34[1]);
			int iTemp16 = int(std::min<float>(4096.0f, std::max<float>(0.0f, fRec33[0])));
			float fTemp17 = fVec3[(IOTA0 - iTemp16) & 8191];
			int iTemp18 = int(std::min<float>(4096.0f, std::max<float>(0.0f, fRec34[0])));
			fRec19[0] = fTemp17 + fRec32[0] * (fVec3[(IOTA0 - iTemp18) & 8191] - fTemp17);
			float fRec20 = fSlow22 * fTemp14;
			float fTemp19 = fRec20 + fRec19[1] - fSlow22 * fRec17[1];
			fVec4[IOTA0 & 8191] = fTemp19;
			float fTemp20 = ((fRec35[1] != 0.0f) ? (((fRec36[1] > 0.0f) & (fRec36[1] < 1.0f)) ? fRec35[1] : 0.0f) : (((fRec36[1] == 0.0f) & (fConst8 != fRec37[1])) ? 0.00048828125f : (((fRec36[1] == 1.0f) & (fConst8 != fRec38[1])) ? -0.00048828125f : 0.0f)));
			fRec35[0] = fTemp20;
			fRec36[0] = std::max<float>(0.0f, std::min<float>(1.0f, fRec36[1] + fTemp20));
			fRec37[0] = (((fRec36[1] >= 1.0f) & (fRec38[1] != fConst8)) ? fConst8 : fRec37[1]);
			fRec38[0] = (((fRec36[1] <= 0.0f) & (fRec37[1] != fConst8)) ? fConst8 : fRec38[1]);
			int iTemp21 = int(std::min<float>(4096.0f, std::max<float>(0.0f, fRec37[0])));
			float fTemp22 = fVec4[(IOTA0 - iTemp21) & 8191];
			int iTemp23 = int(std::min<float>(4096.0f, std::max<float>(0.0f, fRec38[0])));
			fRec17[0] = fTemp22 + fRec36[0] * (fVec4[(IOTA0 - iTemp23) & 8191] - fTemp22);
			float fRec18 = fSlow22 * fTemp19;
			float fTemp24 = fRec18 + fRec17[1] - fSlow22 * fRec15[1];
			fVec5[IOTA0 & 8191] = fTemp24;
			float fTemp25 = ((fRec39[1] != 0.0f) ? (((fRec40[1] > 0.0f) & (fRec40[1] < 1.0f)) ? fRec39[1] : 0.0f) : (((fRec40[1] == 0.0f) & (fConst9 != fRec41[1])) ? 0.00048828125f : (((fRec40[1] == 1.0f) & (fConst9 != fRec42[1])) ? -0.00048828125f : 0.0f)));
			fRec39[0] = fTemp25;
			fRec40[0] = std::max<float>(0.0f, std::min<float>(1.0f, fRec40[1] + fTemp25));
			fRec41[0] = (((fRec40[1] >= 1.0f) & (fRec42[1] != fConst9)) ? fConst9 : fRec41[1]);
			fRec42[0] = (((fRec40[1] <= 0.0f) & (fRec41[1] != fConst9)) ? fConst9 : fRec42[1]);
			int iTemp26 = int(std::min<float>(4096.0f, std::max<float>(0.0f, fRec41[0])));
			float fTemp27 = fVec5[(IOTA0 - iTemp26) & 8191];
			int iTemp28 = int(std::min<float>(4096.0f, std::max<float>(0.0f, fRec42[0])));
			fRec15[0] = fTemp27 + fRec40[0] * (fVec5[(IOTA0 - iTemp28) & 8191] - fTemp27);
			float fRec16 = fSlow22 * fTemp24;
			float fTemp29 = fRec16 + fRec15[1];
			float fTemp30 = 0.3535f * fTemp29;
			float fTemp31 = fTemp30 + fTemp4 / std::sqrt(std::sqrt(0.012345679f * Reverb_faustpower4_f(fTemp4) + 1.0f)) - 0.6f * fRec8[1];
			fVec6[IOTA0 & 32767] = fTemp31;
			float fTemp32 = ((fRec43[1] != 0.0f) ? (((fRec44[1] > 0.0f) & (fRec44[1] < 1.0f)) ? fRec43[1] : 0.0f) : (((fRec44[1] == 0.0f) & (fSlow24 != fRec45[1])) ? 0.00048828125f : (((fRec44[1] == 1.0f) & (fSlow24 != fRec46[1])) ? -0.00048828125f : 0.0f)));
			fRec43[0] = fTemp32;
			fRec44[0] = std::max<float>(0.0f, std::min<float>(1.0f, fRec44[1] + fTemp32));
			fRec45[0] = (((fRec44[1] >= 1.0f) & (fRec46[1] != fSlow24)) ? fSlow24 : fRec45[1]);
			fRec46[0] = (((fRec44[1] <= 0.0f) & (fRec45[1] != fSlow24)) ? fSlow24 : fRec46[1]);
			float fTemp33 = fVec6[(IOTA0 - int(std::min<float>(16384.0f, std::max<float>(0.0f, fRec45[0])))) & 32767];
			fRec8[0] = (fTemp33 + fRec44[0] * (fVec6[(IOTA0 - int(std::min<float>(16384.0f, std::max<float>(0.0f, fRec46[0])))) & 32767] - fTemp33)) * fSlow10;
			float fRec9 = 0.6f * fTemp31;
			fRec49[IOTA0 & 262143] = 0.35355338f * fSlow34 * fRec0[1] * fSlow33 + fSlow31 * fRec49[(IOTA0 - 1) & 262143];
			float fTemp34 = ((fRec50[1] != 0.0f) ? (((fRec51[1] > 0.0f) & (fRec51[1] < 1.0f)) ? fRec50[1] : 0.0f) : (((fRec51[1] == 0.0f) & (fSlow32 != fRec52[1])) ? 0.00048828125f : (((fRec51[1] == 1.0f) & (fSlow32 != fRec53[1])) ? -0.00048828125f : 0.0f)));
			fRec50[0] = fTemp34;
			fRec51[0] = std::max<float>(0.0f, std::min<float>(1.0f, fRec51[1] + fTemp34));
			fRec52[0] = (((fRec51[1] >= 1.0f) & (fRec53[1] != fSlow32)) ? fSlow32 : fRec52[1]);
			fRec53[0] = (((fRec51[1] <= 0.0f) & (fRec52[1] != fSlow32)) ? fSlow32 : fRec53[1]);
			float fTemp35 = fRec49[(IOTA0 - int(std::min<float>(131072.0f, std::max<float>(0.0f, fRec52[0])))) & 262143];
			float fTemp36 = fTemp35 + fRec51[0] * (fRec49[(IOTA0 - int(std::min<float>(131072.0f, std::max<float>(0.0f, fRec53[0])))) & 262143] - fTemp35);
			float fTemp37 = fTemp36 / std::sqrt(std::sqrt(0.012345679f * Reverb_faustpower4_f(fTemp36) + 1.0f)) + fTemp30 - 0.6f * fRec47[1];
			fVec7[IOTA0 & 32767] = fTemp37;
			float fTemp38 = ((fRec54[1] != 0.0f) ? (((fRec55[1] > 0.0f) & (fRec55[1] < 1.0f)) ? fRec54[1] : 0.0f) : (((fRec55[1] == 0.0f) & (fSlow35 != fRec56[1])) ? 0.00048828125f : (((fRec55[1] == 1.0f) & (fSlow35 != fRec57[1])) ? -0.00048828125f : 0.0f)));
			fRec54[0] = fTemp38;
			fRec55[0] = std::max<float>(0.0f, std::min<float>(1.0f, fRec55[1] + fTemp38));
			fRec56[0] = (((fRec55[1] >= 1.0f) & (fRec57[1] != fSlow35)) ? fSlow35 : fRec56[1]);
			fRec57[0] = (((fRec55[1] <= 0.0f) & (fRec56[1] != fSlow35)) ? fSlow35 : fRec57[1]);
			float fTemp39 = fVec7[(IOTA0 - int(std::min<float>(16384.0f, std::max<float>(0.0f, fRec56[0])))) & 32767];
			fRec47[0] = (fTemp39 + fRec55[0] * (fVec7[(IOTA0 - int(std::min<float>(16384.0f, std::max<float>(0.0f, fRec57[0])))) & 32767] - fTemp39)) * fSlow26;
			float fRec48 = 0.6f * fTemp37;
			float fTemp40 = fRec48 + fRec9;
			float fTemp41 = 0.3535f * (0.0f - fTemp29);
			fRec60[IOTA0 & 262143] = 0.35355338f * fSlow45 * fRec2[1] * fSlow44 + fSlow42 * fRec60[(IOTA0 - 1) & 262143];
			float fTemp42 = ((fRec61[1] != 0.0f) ? (((fRec62[1] > 0.0f) & (fRec62[1] < 1.0f)) ? fRec61[1] : 0.0f) : (((fRec62[1] == 0.0f) & (fSlow43 != fRec63[1])) ? 0.00048828125f : (((fRec62[1] == 1.0f) & (fSlow43 != fRec64[1])) ? -0.00048828125f : 0.0f)));
			fRec61[0] = fTemp42;
			fRec62[0] = std::max<float>(0.0f, std::min<float>(1.0f, fRec62[1] + fTemp42));
			fRec63[0] = (((fRec62[1] >= 1.0f) & (fRec64[1] != fSlow43)) ? fSlow43 : fRec63[1]);
			fRec64[0] = (((fRec62[1] <= 0.0f) & (fRec63[1] != fSlow43)) ? fSlow43 : fRec64[1]);
			float fTemp43 = fRec60[(IOTA0 - int(std::min<float>(131072.0f, std::max<float>(0.0f, fRec63[0])))) & 262143];
			float fTemp44 = fTemp43 + fRec62[0] * (fRec60[(IOTA0 - int(std::min<float>(131072.0f, std::max<float>(0.0f, fRec64[0])))) & 262143] - fTemp43);
			float fTemp45 = fTemp44 / std::sqrt(std::sqrt(0.012345679f * Reverb_faustpower4_f(fTemp44) + 1.0f)) + fTemp41 - 0.6f * fRec58[1];
			fVec8[IOTA0 & 32767] = fTemp45;
			float fTemp46 = ((fRec65[1] != 0.0f) ? (((fRec66[1] > 0.0f) & (fRec66[1] < 1.0f)) ? fRec65[1] : 0.0f) : (((fRec66[1] == 0.0f) & (fSlow46 != fRec67[1])) ? 0.00048828125f : (((fRec66[1] == 1.0f) & (fSlow46 != fRec68[1])) ? -0.00048828125f : 0.0f)));
			fRec65[0] = fTemp46;
			fRec66[0] = std::max<float>(0.0f, std::min<float>(1.0f, fRec66[1] + fTemp46));
			fRec67[0] = (((fRec66[1] >= 1.0f) & (fRec68[1] != fSlow46)) ? fSlow46 : fRec67[1]);
			fRec68[0] = (((fRec66[1] <= 0.0f) & (fRec67[1] != fSlow46)) ? fSlow46 : fRec68[1]);
			float fTemp47 = fVec8[(IOTA0 - int(std::min<float>(16384.0f, std::max<float>(0.0f, fRec67[0])))) & 32767];
			fRec58[0] = (fTemp47 + fRec66[0] * (fVec8[(IOTA0 - int(std::min<float>(16384.0f, std::max<float>(0.0f, fRec68[0])))) & 32767] - fTemp47)) * fSlow37;
			float fRec59 = 0.6f * fTemp45;
			fRec71[IOTA0 & 262143] = 0.35355338f * fSlow56 * fRec6[1] * fSlow55 + fSlow53 * fRec71[(IOTA0 - 1) & 262143];
			float fTemp48 = ((fRec72[1] != 0.0f) ? (((fRec73[1] > 0.0f) & (fRec73[1] < 1.0f)) ? fRec72[1] : 0.0f) : (((fRec73[1] == 0.0f) & (fSlow54 != fRec74[1])) ? 0.00048828125f : (((fRec73[1] == 1.0f) & (fSlow54 != fRec75[1])) ? -0.00048828125f : 0.0f)));
			fRec72[0] = fTemp48;
			fRec73[0] = std::max<float>(0.0f, std::min<float>(1.0f, fRec73[1] + fTemp48));
			fRec74[0] = (((fRec73[1] >= 1.0f) & (fRec75[1] != fSlow54)) ? fSlow54 : fRec74[1]);
			fRec75[0] = (((fRec73[1] <= 0.0f) & (fRec74[1] != fSlow54)) ? fSlow54 : fRec75[1]);
			float fTemp49 = fRec71[(IOTA0 - int(std::min<float>(131072.0f, std::max<float>(0.0f, fRec74[0])))) & 262143];
			float fTemp50 = fTemp49 + fRec73[0] * (fRec71[(IOTA0 - int(std::min<float>(131072.0f, std::max<float>(0.0f, fRec75[0])))) & 262143] - fTemp49);
			float fTemp51 = fTemp41 + fTemp50 / std::sqrt(std::sqrt(0.012345679f * Reverb_faustpower4_f(fTemp50) + 1.0f)) - 0.6f * fRec69[1];
			fVec9[IOTA0 & 32767] = fTemp51;
			float fTemp52 = ((fRec76[1] != 0.0f) ? (((fRec77[1] > 0.0f) & (fRec77[1] < 1.0f)) ? fRec76[1] : 0.0f) : (((fRec77[1] == 0.0f) & (fSlow57 != fRec78[1])) ? 0.00048828125f : (((fRec77[1] == 1.0f) & (fSlow57 != fRec79[1])) ? -0.00048828125f : 0.0f)));
			fRec76[0] = fTemp52;
			fRec77[0] = std::max<float>(0.0f, std::min<float>(1.0f, fRec77[1] + fTemp52));
			fRec78[0] = (((fRec77[1] >= 1.0f) & (fRec79[1] != fSlow57)) ? fSlow57 : fRec78[1]);
			fRec79[0] = (((fRec77[1] <= 0.0f) & (fRec78[1] != fSlow57)) ? fSlow57 : fRec79[1]);
			float fTemp53 = fVec9[(IOTA0 - int(std::min<float>(16384.0f, std::max<float>(0.0f, fRec78[0])))) & 32767];
			fRec69[0] = (fTemp53 + fRec77[0] * (fVec9[(IOTA0 - int(std::min<float>(16384.0f, std::max<float>(0.0f, fRec79[0])))) & 32767] - fTemp53)) * fSlow48;
			float fRec70 = 0.6f * fTemp51;
			float fTemp54 = fRec70 + fRec59 + fTemp40;
			float fTemp55 = fVec0[(IOTA0 - iTemp6) & 262143];
			float fTemp56 = fTemp55 + fRec24[0] * (fVec0[(IOTA0 - iTemp8) & 262143] - fTemp55) - fSlow22 * fRec88[1];
			fVec10[IOTA0 & 8191] = fTemp56;
			float fTemp57 = fVec10[(IOTA0 - iTemp11) & 8191];
			fRec88[0] = fTemp57 + fRec28[0] * (fVec10[(IOTA0 - iTemp13) & 8191] - fTemp57);
			float fRec89 = fSlow22 * fTemp56;
			float fTemp58 = fRec89 + fRec88[1] - fSlow22 * fRec86[1];
			fVec11[IOTA0 & 8191] = fTemp58;
			float fTemp59 = fVec11[(IOTA0 - iTemp16) & 8191];
			fRec86[0] = fTemp59 + fRec32[0] * (fVec11[(IOTA0 - iTemp18) & 8191] - fTemp59);
			float fRec87 = fSlow22 * fTemp58;
			float fTemp60 = fRec87 + fRec86[1] - fSlow22 * fRec84[1];
			fVec12[IOTA0 & 8191] = fTemp60;
			float fTemp61 = fVec12[(IOTA0 - iTemp21) & 8191];
			fRec84[0] = fTemp61 + fRec36[0] * (fVec12[(IOTA0 - iTemp23) & 8191] - fTemp61);
			float fRec85 = fSlow22 * fTemp60;
			float fTemp62 = fRec85 + fRec84[1] - fSlow22 * fRec82[1];
			fVec13[IOTA0 & 8191] = fTemp62;
			float fTemp63 = fVec13[(IOTA0 - iTemp26) & 8191];
			fRec82[0] = fTemp63 + fRec40[0] * (fVec13[(IOTA0 - iTemp28) & 8191] - fTemp63);
			float fRec83 = fSlow22 * fTemp62;
			float fTemp64 = fRec83 + fRec82[1];
			float fTemp65 = 0.3535f * fTemp64;
			fRec90[IOTA0 & 262143] = 0.35355338f * fSlow67 * fRec1[1] * fSlow66 + fSlow64 * fRec90[(IOTA0 - 1) & 262143];
			float fTemp66 = ((fRec91[1] != 0.0f) ? (((fRec92[1] > 0.0f) & (fRec92[1] < 1.0f)) ? fRec91[1] : 0.0f) : (((fRec92[1] == 0.0f) & (fSlow65 != fRec93[1])) ? 0.00048828125f : (((fRec92[1] == 1.0f) & (fSlow65 != fRec94[1])) ? -0.00048828125f : 0.0f)));
			fRec91[0] = fTemp66;
			fRec92[0] = std::max<float>(0.0f, std::min<float>(1.0f, fRec92[1] + fTemp66));
			fRec93[0] = (((fRec92[1] >= 1.0f) & (fRec94[1] != fSlow65)) ? fSlow65 : fRec93[1]);
			fRec94[0] = (((fRec92[1] <= 0.0f) & (fRec93[1] != fSlow65)) ? fSlow65 : fRec94[1]);
			float fTemp67 = fRec90[(IOTA0 - int(std::min<float>(131072.0f, std::max<float>(0.0f, fRec93[0])))) & 262143];
			float fTemp68 = fTemp67 + fRec92[0] * (fRec90[(IOTA0 - int(std::min<float>(131072.0f, std::max<float>(0.0f, fRec94[0])))) & 262143] - fTemp67);
			float fTemp69 = fTemp68 / std::sqrt(std::sqrt(0.012345679f * Reverb_faustpower4_f(fTemp68) + 1.0f)) + 0.6f * fRec80[1] + fTemp65;
			fVec14[IOTA0 & 32767] = fTemp69;
			float fTemp70 = ((fRec95[1] != 0.0f) ? (((fRec96[1] > 0.0f) & (fRec96[1] < 1.0f)) ? fRec95[1] : 0.0f) : (((fRec96[1] == 0.0f) & (fSlow68 != fRec97[1])) ? 0.00048828125f : (((fRec96[1] == 1.0f) & (fSlow68 != fRec98[1])) ? -0.00048828125f : 0.0f)));
			fRec95[0] = fTemp70;
			fRec96[0] = std::max<float>(0.0f, std::min<float>(1.0f, fRec96[1] + fTemp70));
			fRec97[0] = (((fRec96[1] >= 1.0f) & (fRec98[1] != fSlow68)) ? fSlow68 : fRec97[1]);
			fRec98[0] = (((fRec96[1] <= 0.0f) & (fRec97[1] != fSlow68)) ? fSlow68 : fRec98[1]);
			float fTemp71 = fVec14[(IOTA0 - int(std::min<float>(16384.0f, std::max<float>(0.0f, fRec97[0])))) & 32767];
			fRec80[0] = (fTemp71 + fRec96[0] * (fVec14[(IOTA0 - int(std::min<float>(16384.0f, std::max<float>(0.0f, fRec98[0])))) & 32767] - fTemp71)) * fSlow59;
			float fRec81 = 0.0f - 0.6f * fTemp69;
			fRec101[IOTA0 & 262143] = 0.35355338f * fSlow78 * fRec5[1] * fSlow77 + fSlow75 * fRec101[(IOTA0 - 1) & 262143];
			float fTemp72 = ((fRec102[1] != 0.0f) ? (((fRec103[1] > 0.0f) & (fRec103[1] < 1.0f)) ? fRec102[1] : 0.0f) : (((fRec103[1] == 0.0f) & (fSlow76 != fRec104[1])) ? 0.00048828125f : (((fRec103[1] == 1.0f) & (fSlow76 != fRec105[1])) ? -0.00048828125f : 0.0f)));
			fRec102[0] = fTemp72;
			fRec103[0] = std::max<float>(0.0f, std::min<float>(1.0f, fRec103[1] + fTemp72));
			fRec104[0] = (((fRec103[1] >= 1.0f) & (fRec105[1] != fSlow76)) ? fSlow76 : fRec104[1]);
			fRec105[0] = (((fRec103[1] <= 0.0f) & (fRec104[1] != fSlow76)) ? fSlow76 : fRec105[1]);
			float fTemp73 = fRec101[(IOTA0 - int(std::min<float>(131072.0f, std::max<float>(0.0f, fRec104[0])))) & 262143];
			float fTemp74 = fTemp73 + fRec103[0] * (fRec101[(IOTA0 - int(std::min<float>(131072.0f, std::max<float>(0.0f, fRec105[0])))) & 262143] - fTemp73);
			float fTemp75 = fTemp74 / std::sqrt(std::sqrt(0.012345679f * Reverb_faustpower4_f(fTemp74) + 1.0f)) + fTemp65 + 0.6f * fRec99[1];
			fVec15[IOTA0 & 32767] = fTemp75;
			float fTemp76 = ((fRec106[1] != 0.0f) ? (((fRec107[1] > 0.0f) & (fRec107[1] < 1.0f)) ? fRec106[1] : 0.0f) : (((fRec107[1] == 0.0f) & (fSlow79 != fRec108[1])) ? 0.00048828125f : (((fRec107[1] == 1.0f) & (fSlow79 != fRec109[1])) ? -0.00048828125f : 0.0f)));
			fRec106[0] = fTemp76;
			fRec107[0] = std::max<float>(0.0f, std::min<float>(1.0f, fRec107[1] + fTemp76));
			fRec108[0] = (((fRec107[1] >= 1.0f) & (fRec109[1] != fSlow79)) ? fSlow79 : fRec108[1]);
			fRec109[0] = (((fRec107[1] <= 0.0f) & (fRec108[1] != fSlow79)) ? fSlow79 : fRec109[1]);
			float fTemp77 = fVec15[(IOTA0 - int(std::min<float>(16384.0f, std::max<float>(0.0f, fRec108[0])))) & 32767];
			fRec99[0] = (fTemp77 + fRec107[0] * (fVec15[(IOTA0 - int(std::min<float>(16384.0f, std::max<float>(0.0f, fRec109[0])))) & 32767] - fTemp77)) * fSlow70;
			float fRec100 = 0.0f - 0.6f * fTemp75;
			fRec112[IOTA0 & 262143] = 0.35355338f * fSlow89 * fRec3[1] * fSlow88 + fSlow86 * fRec112[(IOTA0 - 1) & 262143];
			float fTemp78 = ((fRec113[1] != 0.0f) ? (((fRec114[1] > 0.0f) & (fRec114[1] < 1.0f)) ? fRec113[1] : 0.0f) : (((fRec114[1] == 0.0f) & (fSlow87 != fRec115[1])) ? 0.00048828125f : (((fRec114[1] == 1.0f) & (fSlow87 != fRec116[1])) ? -0.00048828125f : 0.0f)));
			fRec113[0] = fTemp78;
			fRec114[0] = std::max<float>(0.0f, std::min<float>(1.0f, fRec114[1] + fTemp78));
			fRec115[0] = (((fRec114[1] >= 1.0f) & (fRec116[1] != fSlow87)) ? fSlow87 : fRec115[1]);
			fRec116[0] = (((fRec114[1] <= 0.0f) & (fRec115[1] != fSlow87)) ? fSlow87 : fRec116[1]);
			float fTemp79 = fRec112[(IOTA0 - int(std::min<float>(131072.0f, std::max<float>(0.0f, fRec115[0])))) & 262143];
			float fTemp80 = fTemp79 + fRec114[0] * (fRec112[(IOTA0 - int(std::min<float>(131072.0f, std::max<float>(0.0f, fRec116[0])))) & 262143] - fTemp79);
			float fTemp81 = 0.3535f * (0.0f - fTemp64);
			float fTemp82 = fTemp81 + 0.6f * fRec110[1] + fTemp80 / std::sqrt(std::sqrt(0.012345679f * Reverb_faustpower4_f(fTemp80) + 1.0f));
			fVec16[IOTA0 & 32767] = fTemp82;
			float fTemp83 = ((fRec117[1] != 0.0f) ? (((fRec118[1] > 0.0f) & (fRec118[1] < 1.0f)) ? fRec117[1] : 0.0f) : (((fRec118[1] == 0.0f) & (fSlow90 != fRec119[1])) ? 0.00048828125f : (((fRec118[1] == 1.0f) & (fSlow90 != fRec120[1])) ? -0.00048828125f : 0.0f)));
			fRec117[0] = fTemp83;
			fRec118[0] = std::max<float>(0.0f, std::min<float>(1.0f, fRec118[1] + fTemp83));
			fRec119[0] = (((fRec118[1] >= 1.0f) & (fRec120[1] != fSlow90)) ? fSlow90 : fRec119[1]);
			fRec120[0] = (((fRec118[1] <= 0.0f) & (fRec119[1] != fSlow90)) ? fSlow90 : fRec120[1]);
			float fTemp84 = fVec16[(IOTA0 - int(std::min<float>(16384.0f, std::max<float>(0.0f, fRec119[0])))) & 32767];
			fRec110[0] = (fTemp84 + fRec118[0] * (fVec16[(IOTA0 - int(std::min<float>(16384.0f, std::max<float>(0.0f, fRec120[0])))) & 32767] - fTemp84)) * fSlow81;
			float fRec111 = 0.0f - 0.6f * fTemp82;
			fRec123[IOTA0 & 262143] = 0.35355338f * fSlow100 * fRec7[1] * fSlow99 + fSlow97 * fRec123[(IOTA0 - 1) & 262143];
			float fTemp85 = ((fRec124[1] != 0.0f) ? (((fRec125[1] > 0.0f) & (fRec125[1] < 1.0f)) ? fRec124[1] : 0.0f) : (((fRec125[1] == 0.0f) & (fSlow98 != fRec126[1])) ? 0.00048828125f : (((fRec125[1] == 1.0f) & (fSlow98 != fRec127[1])) ? -0.00048828125f : 0.0f)));
			fRec124[0] = fTemp85;
			fRec125[0] = std::max<float>(0.0f, std::min<float>(1.0f, fRec125[1] + fTemp85));
			fRec126[0] = (((fRec125[1] >= 1.0f) & (fRec127[1] != fSlow98)) ? fSlow98 : fRec126[1]);
			fRec127[0] = (((fRec125[1] <= 0.0f) & (fRec126[1] != fSlow98)) ? fSlow98 : fRec127[1]);
			float fTemp86 = fRec123[(IOTA0 - int(std::min<float>(131072.0f, std::max<float>(0.0f, fRec126[0])))) & 262143];
			float fTemp87 = fTemp86 + fRec125[0] * (fRec123[(IOTA0 - int(std::min<float>(131072.0f, std::max<float>(0.0f, fRec127[0])))) & 262143] - fTemp86);
			float fTemp88 = fTemp87 / std::sqrt(std::sqrt(0.012345679f * Reverb_faustpower4_f(fTemp87) + 1.0f)) + fTemp81 + 0.6f * fRec121[1];
			fVec17[IOTA0 & 32767] = fTemp88;
			float fTemp89 = ((fRec128[1] != 0.0f) ? (((fRec129[1] > 0.0f) & (fRec129[1] < 1.0f)) ? fRec128[1] : 0.0f) : (((fRec129[1] == 0.0f) & (fSlow101 != fRec130[1])) ? 0.00048828125f : (((fRec129[1] == 1.0f) & (fSlow101 != fRec131[1])) ? -0.00048828125f : 0.0f)));
			fRec128[0] = fTemp89;
			fRec129[0] = std::max<float>(0.0f, std::min<float>(1.0f, fRec129[1] + fTemp89));
			fRec130[0] = (((fRec129[1] >= 1.0f) & (fRec131[1] != fSlow101)) ? fSlow101 : fRec130[1]);
			fRec131[0] = (((fRec129[1] <= 0.0f) & (fRec130[1] != fSlow101)) ? fSlow101 : fRec131[1]);
			float fTemp90 = fVec17[(IOTA0 - int(std::min<float>(16384.0f, std::max<float>(0.0f, fRec130[0])))) & 32767];
			fRec121[0] = (fTemp90 + fRec129[0] * (fVec17[(IOTA0 - int(std::min<float>(16384.0f, std::max<float>(0.0f, fRec131[0])))) & 32767] - fTemp90)) * fSlow92;
			float fRec122 = 0.0f - 0.6f * fTemp88;
			fRec0[0] = fRec121[1] + fRec110[1] + fRec99[1] + fRec80[1] + fRec69[1] + fRec58[1] + fRec8[1] + fRec47[1] + fRec122 + fRec111 + fRec100 + fRec81 + fTemp54;
			fRec1[0] = fRec69[1] + fRec58[1] + fRec8[1] + fRec47[1] + fTemp54 - (fRec121[1] + fRec110[1] + fRec99[1] + fRec80[1] + fRec122 + fRec111 + fRec81 + fRec100);
			float fTemp91 = fRec59 + fRec70;
			fRec2[0] = fRec99[1] + fRec80[1] + fRec8[1] + fRec47[1] + fRec100 + fRec81 + fTemp40 - (fRec121[1] + fRec110[1] + fRec69[1] + fRec58[1] + fRec122 + fRec111 + fTemp91);
			fRec3[0] = fRec121[1] + fRec110[1] + fRec8[1] + fRec47[1] + fRec122 + fRec111 + fTemp40 - (fRec99[1] + fRec80[1] + fRec69[1] + fRec58[1] + fRec100 + fRec81 + fTemp91);
			float fTemp92 = fRec9 + fRec70;
			float fTemp93 = fRec48 + fRec59;
			fRec4[0] = fRec110[1] + fRec80[1] + fRec58[1] + fRec47[1] + fRec111 + fRec81 + fTemp93 - (fRec121[1] + fRec99[1] + fRec69[1] + fRec8[1] + fRec122 + fRec100 + fTemp92);
			fRec5[0] = fRec121[1] + fRec99[1] + fRec58[1] + fRec47[1] + fRec122 + fRec100 + fTemp93 - (fRec110[1] + fRec80[1] + fRec69[1] + fRec8[1] + fRec111 + fRec81 + fTemp92);
			float fTemp94 = fRec9 + fRec59;
			float fTemp95 = fRec48 + fRec70;
			fRec6[0] = fRec121[1] + fRec80[1] + fRec69[1] + fRec47[1] + fRec122 + fRec81 + fTemp95 - (fRec110[1] + fRec99[1] + fRec58[1] + fRec8[1] + fRec111 + fRec100 + fTemp94);
			fRec7[0] = fRec110[1] + fRec99[1] + fRec69[1] + fRec47[1] + fRec111 + fRec100 + fTemp95 - (fRec121[1] + fRec80[1] + fRec58[1] + fRec8[1] + fRec122 + fRec81 + fTemp94);
			float fTemp96 = fRec1[0] + fRec3[0] - (fRec5[0] + fRec7[0]);
			float fTemp97 = fRec0[0] + fRec2[0] - (fRec4[0] + fRec6[0]);
			float fTemp98 = fSlow102 * (fTemp97 - fTemp96);
			float fTemp99 = fTemp97 + fTemp96;
			output0[i0] = FAUSTFLOAT(0.4f * (fTemp99 + fTemp98) * fSlow5);
			output1[i0] = FAUSTFLOAT(0.4f * fSlow5 * (fTemp99 - fTemp98));
			IOTA0 = IOTA0 + 1;
			fRec11[1] = fRec11[0];
			fRec12[1] = fRec12[0];
			fRec13[1] = fRec13[0];
			fRec14[1] = fRec14[0];
			fRec23[1] = fRec23[0];
			fRec24[1] = fRec24[0];
			fRec25[1] = fRec25[0];
			fRec26[1] = fRec26[0];
			fRec27[1] = fRec27[0];
			fRec28[1] = fRec28[0];
			fRec29[1] = fRec29[0];
			fRec30[1] = fRec30[0];
			fRec21[1] = fRec21[0];
			fRec31[1] = fRec31[0];
			fRec32[1] = fRec32[0];
			fRec33[1] = fRec33[0];
			fRec34[1] = fRec34[0];
			fRec19[1] = fRec19[0];
			fRec35[1] = fRec35[0];
			fRec36[1] = fRec36[0];
			fRec37[1] = fRec37[0];
			fRec38[1] = fRec38[0];
			fRec17[1] = fRec17[0];
			fRec39[1] = fRec39[0];
			fRec40[1] = fRec40[0];
			fRec41[1] = fRec41[0];
			fRec42[1] = fRec42[0];
			fRec15[1] = fRec15[0];
			fRec43[1] = fRec43[0];
			fRec44[1] = fRec44[0];
			fRec45[1] = fRec45[0];
			fRec46[1] = fRec46[0];
			fRec8[1] = fRec8[0];
			fRec50[1] = fRec50[0];
			fRec51[1] = fRec51[0];
			fRec52[1] = fRec52[0];
			fRec53[1] = fRec53[0];
			fRec54[1] = fRec54[0];
			fRec55[1] = fRec55[0];
			fRec56[1] = fRec56[0];
			fRec57[1] = fRec57[0];
			fRec47[1] = fRec47[0];
			fRec61[1] = fRec61[0];
			fRec62[1] = fRec62[0];
			fRec63[1] = fRec63[0];
			fRec64[1] = fRec64[0];
			fRec65[1] = fRec65[0];
			fRec66[1] = fRec66[0];
			fRec67[1] = fRec67[0];
			fRec68[1] = fRec68[0];
			fRec58[1] = fRec58[0];
			fRec72[1] = fRec72[0];
			fRec73[1] = fRec73[0];
			fRec74[1] = fRec74[0];
			fRec75[1] = fRec75[0];
			fRec76[1] = fRec76[0];
			fRec77[1] = fRec77[0];
			fRec78[1] = fRec78[0];
			fRec79[1] = fRec79[0];
			fRec69[1] = fRec69[0];
			fRec88[1] = fRec88[0];
			fRec86[1] = fRec86[0];
			fRec84[1] = fRec84[0];
			fRec82[1] = fRec82[0];
			fRec91[1] = fRec91[0];
			fRec92[1] = fRec92[0];
			fRec93[1] = fRec93[0];
			fRec94[1] = fRec94[0];
			fRec95[1] = fRec95[0];
			fRec96[1] = fRec96[0];
			fRec97[1] = fRec97[0];
			fRec98[1] = fRec98[0];
			fRec80[1] = fRec80[0];
			fRec102[1] = fRec102[0];
			fRec103[1] = fRec103[0];
			fRec104[1] = fRec104[0];
			fRec105[1] = fRec105[0];
			fRec106[1] = fRec106[0];
			fRec107[1] = fRec107[0];
			fRec108[1] = fRec108[0];
			fRec109[1] = fRec109[0];
			fRec99[1] = fRec99[0];
			fRec113[1] = fRec113[0];
			fRec114[1] = fRec114[0];
			fRec115[1] = fRec115[0];
			fRec116[1] = fRec116[0];
			fRec117[1] = fRec117[0];
			fRec118[1] = fRec118[0];
			fRec119[1] = fRec119[0];
			fRec120[1] = fRec120[0];
			fRec110[1] = fRec110[0];
			fRec124[1] = fRec124[0];
			fRec125[1] = fRec125[0];
			fRec126[1] = fRec126[0];
			fRec127[1] = fRec127[0];
			fRec128[1] = fRec128[0];
			fRec129[1] = fRec129[0];
			fRec130[1] = fRec130[0];
			fRec131[1] = fRec131[0];
			fRec121[1] = fRec121[0];
			fRec0[1] = fRec0[0];
			fRec1[1] = fRec1[0];
			fRec2[1] = fRec2[0];
			fRec3[1] = fRec3[0];
			fRec4[1] = fRec4[0];
			fRec5[1] = fRec5[0];
			fRec6[1] = fRec6[0];
			fRec7[1] = fRec7[0];
		}
	}

};
} // namespace puretone::generated

#endif
