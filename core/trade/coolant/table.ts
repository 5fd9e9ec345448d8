import type { Base } from "./base.ts";

/** Volume fraction of glycol, freezing point °C, normal boiling point °C. */
export type Row = readonly [fraction: number, freezeC: number, boilC: number];

/** ASHRAE Fundamentals, "Physical Properties of Secondary Coolants (Brines)", rounded as printed there. */
export const TABLE: Record<Base, readonly Row[]> = {
  ethylene: [
    [0, 0, 100],
    [0.044, -1.4, 100.6],
    [0.089, -3.2, 101.1],
    [0.136, -5.4, 101.7],
    [0.181, -7.8, 102.2],
    [0.229, -10.7, 103.3],
    [0.277, -14.1, 104.4],
    [0.326, -17.9, 105],
    [0.375, -22.3, 105.6],
    [0.425, -27.5, 106.7],
    [0.476, -33.8, 107.2],
    [0.496, -36.4, 107.2],
    [0.527, -41.1, 108.3],
    [0.557, -45.6, 109],
    [0.578, -48.3, 110],
  ],
  propylene: [
    [0, 0, 100],
    [0.096, -3.3, 101],
    [0.194, -7.1, 101.6],
    [0.294, -12.7, 102.2],
    [0.396, -21.1, 103.9],
    [0.499, -33.5, 105.6],
    [0.6, -51.1, 107.2],
  ],
};

/** °C at which `DENSITY` has its columns. */
export const DENSITY_AT_C = [4.4, 26.7, 48.9, 71.1, 93.3] as const;

/** Density relative to water by volume fraction of ethylene glycol, at each of `DENSITY_AT_C`; source as above. */
export const DENSITY: readonly (readonly [fraction: number, ...densities: number[]])[] = [
  [0, 1.0, 0.9966, 0.9887, 0.9774, 0.9631],
  [0.3, 1.057, 1.048, 1.038, 1.025, 1.013],
  [0.5, 1.088, 1.077, 1.064, 1.05, 1.038],
];
