export { FromInstrument } from './FromInstrument';
export { ImportForm } from './ImportForm';
export { InstrumentForm, RevokeInstrumentForm } from './InstrumentForms';
