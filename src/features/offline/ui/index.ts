export { KeepPages } from './KeepPages';
export { KeptNote } from './KeptNote';
