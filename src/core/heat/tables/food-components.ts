/**
 * Thermal properties of food components as polynomials in °C, −40 to 150 °C: conductivity W/(m·K),
 * density kg/m³, specific heat J/(kg·K), each `a + b·T + c·T²`.
 * @source Choi & Okos (1986), "Effects of temperature and composition on the thermal properties of
 * foods", as printed in ASHRAE Handbook Refrigeration (2018), ch. 19, tables 1 and 2
 */
export const FOOD_COMPONENTS = {
  water: {
    k: [0.57109, 1.7625e-3, -6.7036e-6],
    rho: [997.18, 3.1439e-3, -3.7574e-3],
    cp: [4176.2, -0.090864, 5.4731e-3],
  },
  protein: {
    k: [0.17881, 1.1958e-3, -2.7178e-6],
    rho: [1329.9, -0.5184, 0],
    cp: [2008.2, 1.2089, -1.3129e-3],
  },
  fat: {
    k: [0.18071, -2.7604e-4, -1.7749e-7],
    rho: [925.59, -0.41757, 0],
    cp: [1984.2, 1.4733, -4.8008e-3],
  },
  /** Salt and minerals. */
  ash: {
    k: [0.32961, 1.4011e-3, -2.9069e-6],
    rho: [2423.8, -0.28063, 0],
    cp: [1092.6, 1.8896, -3.6817e-3],
  },
} as const;
