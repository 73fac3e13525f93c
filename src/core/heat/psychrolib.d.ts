/** The part of psychrolib that is used, in its SI mode: °C, Pa, m, fractions. */
declare module 'psychrolib' {
  const psychrolib: {
    SI: number;
    SetUnitSystem(system: number): void;
    GetSatVapPres(tempC: number): number;
    GetTDewPointFromVapPres(airC: number, vapourPa: number): number;
    GetHumRatioFromTWetBulb(airC: number, wetBulbC: number, pressurePa: number): number;
    GetVapPresFromHumRatio(humidityRatio: number, pressurePa: number): number;
    GetTWetBulbFromRelHum(airC: number, rh: number, pressurePa: number): number;
    GetStandardAtmPressure(altitudeM: number): number;
  };
  export default psychrolib;
}
