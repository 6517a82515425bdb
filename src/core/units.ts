/** Exact unit conversions (international agreement of 1959). Stored values are always metric; conversion is for display and entry. */

/** Numbers nearer than this are equal: loads in kg, percents, shares. */
export const TOLERANCE = 1e-9;

/** Kilograms in one pound, exact. */
export const KG_PER_LB = 0.45359237;
/** Kilometres in one mile, exact. */
export const KM_PER_MILE = 1.609344;

/** @param lb pounds @returns kilograms, unrounded */
export const lbToKg = (lb: number): number => lb * KG_PER_LB;
/** @param kg kilograms @returns pounds, unrounded */
export const kgToLb = (kg: number): number => kg / KG_PER_LB;
/** @param mi miles @returns kilometres, unrounded */
export const miToKm = (mi: number): number => mi * KM_PER_MILE;
/** @param km kilometres @returns miles, unrounded */
export const kmToMi = (km: number): number => km / KM_PER_MILE;

/** A mass as a number in the unit it is shown in: whole tenths of pounds, hundredths of kilograms. */
export const massIn = (kg: number, unit: "kg" | "lb" | undefined): number =>
  unit === "lb" ? roundTo(kgToLb(kg), 1) : roundTo(kg, 2);

/** Masses are compared in whole micrograms so that sums of plates meet exactly. @param kg kilograms @returns integer micrograms */
export const toMicrograms = (kg: number): number => Math.round(kg * 1e9);

/** @returns what lies between two masses, both among them, by equal steps, kg */
export function massesBetween(fromKg: number, toKg: number, stepKg: number): number[] {
  const steps = Math.floor((toKg - fromKg) / stepKg + TOLERANCE);
  return Array.from({ length: steps + 1 }, (_, i) => roundTo(fromKg + i * stepKg, 6));
}

/** @param value any number @param digits decimal places kept @returns the rounded number (halves away from zero) */
export function roundTo(value: number, digits: number): number {
  const f = 10 ** digits;
  return (Math.sign(value) * Math.round(Math.abs(value) * f + TOLERANCE)) / f;
}
