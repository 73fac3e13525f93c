/**
 * Stands in the first bytes of a page, before any script of the application. It marks the page as waking until it answers,
 * remembers what is typed and chosen meanwhile, and stops a form without an address of its own from reloading the page.
 * What React has taken over hears its own events, so only the rest is remembered by value.
 */
export const EARLY_SCRIPT = `(()=>{
const root=document.documentElement;
root.dataset.waking='';
const early=window.jollyEarly=new Map();
const touched=window.jollyTouched=new Set();
const isField=t=>t instanceof HTMLInputElement||t instanceof HTMLSelectElement||t instanceof HTMLTextAreaElement;
const isHeard=t=>Object.keys(t).some(k=>k.startsWith('__reactProps'));
const note=e=>{
const t=e.target;
if(!e.isTrusted||!isField(t)||t.type==='file')return;
window.jollyTouchedAt=Date.now();
touched.add(t);
if(isHeard(t))early.delete(t);
else early.set(t,t.type==='checkbox'||t.type==='radio'?t.checked:t.value);
};
addEventListener('input',note,true);
addEventListener('change',note,true);
addEventListener('pointerdown',()=>{window.jollyTouchedAt=Date.now()},true);
addEventListener('submit',e=>{
if('waking' in root.dataset&&e.target.method==='get'&&!e.target.hasAttribute('action'))e.preventDefault();
},true);
})()`;

export type Field = HTMLInputElement | HTMLSelectElement | HTMLTextAreaElement;

/** What the early script leaves on the window. */
type EarlyWindow = {
  /** Fields that were changed before the page answered, with their value or tick. */
  jollyEarly?: Map<Field, string | boolean>;
  /** Every field that was changed since the page opened. */
  jollyTouched?: Set<Field>;
  /** When somebody last typed or pressed, ms. */
  jollyTouchedAt?: number;
};

export const earlyWindow = () => window as unknown as EarlyWindow;
