export { FromInstrument } from './FromInstrument';
export { ImportForm } from './ImportForm';
export { useTaken } from './use-taken';
export { InstrumentForm, RevokeInstrumentForm } from './InstrumentForms';
