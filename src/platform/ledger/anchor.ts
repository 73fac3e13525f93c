import { sql } from 'kysely';
import fs from 'node:fs';
import path from 'node:path';
import type { Handle } from '../db/client';

/**
 * A point of the ledger that is kept elsewhere: on paper, in a file on another disk. What stood there at that time can
 * no longer be cut off or written anew unseen.
 */
export type Anchor = { seq: number; mac: string; at: string | null };

const SHORT = 32;
const LINE = /^(?:(\S+)\s+)?(\d+)\.([0-9a-f]{32})$/;
const RESTORED = 'restored';

/** @returns the anchor of a text such as `1234.0f3a…`, with or without a time before it, or null */
export function parseAnchor(text: string): Anchor | null {
  const [, at = null, seq, mac] = LINE.exec(text.trim()) ?? [];
  return seq && mac ? { at, seq: Number(seq), mac } : null;
}

/** An anchor as it is printed and typed. */
export const anchorText = (a: { seq: number; mac: string }) => `${a.seq}.${a.mac.slice(0, SHORT)}`;

/** The end of the ledger now. */
export async function headAnchor(db: Handle): Promise<Anchor & { at: string }> {
  const { rows } = await sql<{ seq: number; mac: string; at: Date }>`
    select seq, mac, at from ledger_head where id = 1`.execute(db);
  const { seq, mac, at } = rows[0]!;
  return { seq: Number(seq), mac: mac.slice(0, SHORT), at: at.toISOString() };
}

/** Where anchors are kept: a file beside the database, or wherever `JOLLY_ANCHORS` says; null: nowhere. */
export const anchorFile = (): string | null => process.env.JOLLY_ANCHORS ?? null;

const append = (file: string, line: string) => {
  fs.mkdirSync(path.dirname(file), { recursive: true });
  fs.appendFileSync(file, `${line}\n`, { mode: 0o600 });
};

/** Writes the end of the ledger into the file of anchors when it has moved. @returns the last one written */
export async function keepAnchor(db: Handle, file: string, last: string | null): Promise<string> {
  const head = await headAnchor(db);
  const text = anchorText(head);
  if (text !== last && head.seq > 0) append(file, `${new Date().toISOString()} ${text}`);
  return text;
}

/** Says in the file that an older state was put back: the anchors before are those of another course of things. */
export const noteRestored = (file: string, anchor: string) =>
  append(file, `${RESTORED} ${new Date().toISOString()} ${anchor}`);

/** The anchors of a file since the last restoring, and when that was. Lines that are none are left out. */
export function readAnchors(file: string): { anchors: Anchor[]; restoredAt: string | null } {
  if (!fs.existsSync(file)) return { anchors: [], restoredAt: null };
  const lines = fs.readFileSync(file, 'utf8').split('\n');
  const from = lines.findLastIndex((l) => l.startsWith(`${RESTORED} `));
  const restored = from >= 0 ? lines[from]!.slice(RESTORED.length + 1) : '';
  const anchors = [restored, ...lines.slice(from + 1)].map(parseAnchor).filter((a) => a !== null);
  return { anchors, restoredAt: from >= 0 ? (restored.split(' ')[0] ?? null) : null };
}
