/** Resistivity of copper at its working temperature, Ω·mm²/m: 1.25 times the value at 20 °C, as IEC 60364-5-52 annex G takes it. */
export const COPPER = 0.0225
/** Reactance of a cable, Ω/m, where nothing better is known. */
export const REACTANCE = 0.00008
/** Resistivity of copper at 20 °C, Ω·mm²/m, for continuity of cold conductors. */
export const COLD_COPPER = 0.0175
