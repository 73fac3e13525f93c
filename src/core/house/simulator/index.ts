/** Simulated houses, goods and instruments with hidden figures and faults: what stands in for a real floor. */
export { FAULTS, noFaults, type Fault, type Faults } from './faults';
export { SimulatedGoods, type SimGoods } from './simulated-goods';
export { SimulatedHouse, type SimPiece, type SimProgram, type SimReading } from './simulated-house';
export {
  INSTRUMENT_FAULTS,
  SimulatedInstrument,
  type InstrumentFault,
  type InstrumentShown,
} from './simulated-instrument';
