'use client';

import { Bell, BellOff } from 'lucide-react';
import { useEffect, useRef, useSyncExternalStore } from 'react';

const KEY = 'jolly-alarm-sound';
const TONE_HZ = 660;
const TONE_S = 0.5;

const isOn = () => localStorage.getItem(KEY) === 'on';

/** Hears of the switch in this window and in others. */
function watchSwitch(changed: () => void): () => void {
  window.addEventListener(KEY, changed);
  window.addEventListener('storage', changed);
  return () => {
    window.removeEventListener(KEY, changed);
    window.removeEventListener('storage', changed);
  };
}

/** How a device shakes where it can: in a pocket, beside a fan, ms on and off. */
const SHAKE_MS = [400, 150, 400];

function beep(): void {
  if ('vibrate' in navigator) navigator.vibrate(SHAKE_MS);
  const audio = new AudioContext();
  const tone = audio.createOscillator();
  const volume = audio.createGain();
  volume.gain.value = 0.2;
  tone.frequency.value = TONE_HZ;
  tone.connect(volume).connect(audio.destination);
  tone.start();
  tone.stop(audio.currentTime + TONE_S);
  tone.onended = () => void audio.close();
}

/** A tone, and a shake where the device can, when an alarm comes that nobody has seen yet; each device switches it for itself. */
export function AlarmSound({ urgent }: { urgent: number }) {
  const on = useSyncExternalStore(watchSwitch, isOn, () => false);
  const before = useRef(0);
  useEffect(() => {
    if (on && urgent > before.current) beep();
    before.current = urgent;
  }, [on, urgent]);
  const flip = () => {
    localStorage.setItem(KEY, on ? 'off' : 'on');
    window.dispatchEvent(new Event(KEY));
    if (!on) beep();
  };
  const Icon = on ? Bell : BellOff;
  return (
    <button
      type="button"
      aria-pressed={on}
      className="no-print inline-flex min-h-12 items-center gap-2 text-soft underline max-sm:min-w-12 max-sm:justify-center"
      onClick={flip}
    >
      <Icon size={20} aria-hidden="true" />
      <span className="max-sm:sr-only">
        {on ? 'Alarms sound on this device' : 'Alarms are silent on this device'}
      </span>
    </button>
  );
}
