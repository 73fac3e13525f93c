export type Decoded =
  { kind: 'text'; text: string; encoding: string } | { kind: 'error'; message: string };

const startsWith = (bytes: Uint8Array, magic: number[]) => magic.every((b, i) => bytes[i] === b);

/** Files that people pick by mistake: how they start, and what to say. */
const NOT_TEXT: { magic: number[]; message: string }[] = [
  {
    magic: [0x25, 0x50, 0x44, 0x46],
    message: 'This is a PDF, not a temperature log. Export the log from the logger as CSV.',
  },
  {
    magic: [0x50, 0x4b, 0x03, 0x04],
    message: 'This is a spreadsheet or zip file. Save the sheet as CSV and choose that file.',
  },
  {
    magic: [0xd0, 0xcf, 0x11, 0xe0],
    message: 'This is an old spreadsheet file. Save the sheet as CSV and choose that file.',
  },
  {
    magic: [0x89, 0x50, 0x4e, 0x47],
    message: 'This is a picture. Export the log from the logger as CSV.',
  },
  {
    magic: [0xff, 0xd8, 0xff],
    message: 'This is a picture. Export the log from the logger as CSV.',
  },
  { magic: [0x1f, 0x8b], message: 'This file is compressed. Unpack it and choose the CSV inside.' },
];

/** UTF-16 without a byte order mark shows as zero bytes in every other place. */
function utf16Guess(bytes: Uint8Array): 'utf-16le' | 'utf-16be' | null {
  const head = bytes.subarray(0, 400);
  let even = 0;
  let odd = 0;
  head.forEach((b, i) => {
    if (b !== 0) return;
    if (i % 2 === 0) even += 1;
    else odd += 1;
  });
  if (odd > head.length / 4 && even === 0) return 'utf-16le';
  if (even > head.length / 4 && odd === 0) return 'utf-16be';
  return null;
}

function encodingOf(bytes: Uint8Array): string {
  if (startsWith(bytes, [0xff, 0xfe])) return 'utf-16le';
  if (startsWith(bytes, [0xfe, 0xff])) return 'utf-16be';
  const guess = utf16Guess(bytes);
  if (guess) return guess;
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    return 'utf-8';
  } catch {
    return 'windows-1252';
  }
}

/** Turns a file's bytes into text, or says in words why it cannot be a log. */
export function decodeText(bytes: Uint8Array): Decoded {
  if (bytes.length === 0) return { kind: 'error', message: 'The file is empty.' };
  const wrong = NOT_TEXT.find((t) => startsWith(bytes, t.magic));
  if (wrong) return { kind: 'error', message: wrong.message };
  const encoding = encodingOf(bytes);
  const text = new TextDecoder(encoding).decode(bytes).replace(/^\ufeff/, '');
  if (text.trim() === '') return { kind: 'error', message: 'The file is empty.' };
  if (text.includes('\u0000'))
    return {
      kind: 'error',
      message: 'This is not a text file. Export the log from the logger as CSV.',
    };
  if (/^\s*(<!doctype html|<html|<head|<body|<\?xml)/i.test(text)) {
    return {
      kind: 'error',
      message: 'This is a web page, not a temperature log. Export the log from the logger as CSV.',
    };
  }
  return { kind: 'text', text, encoding };
}
