import { requireRoute } from '@/features/accounts/identify';
import { clockOff } from '@/features/readings/contract';
import { requireInstrument } from '@/features/readings/device';
import { keepShown, liveOf, liveQuerySchema, shownSchema } from '@/features/readings/service';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';

const refuse = (code: string, message: string, status = 400) =>
  Response.json({ ok: false, code, message }, { status });

/** A scale or a meter says what it shows now. */
export async function POST(request: Request) {
  const instrument = await requireInstrument(request);
  if (instrument instanceof Response) return instrument;
  const parsed = shownSchema.safeParse(await request.json().catch(() => undefined));
  if (!parsed.success) {
    const issue = parsed.error.issues[0]!;
    return refuse('bad_request', `${issue.path.join('.') || 'body'}: ${issue.message}`);
  }
  const offS = clockOff(parsed.data.sentAt, nowS());
  if (offS !== null)
    return refuse('clock_wrong', `The clock of the instrument is ${Math.round(offS)} s off.`, 409);
  const wrong = await keepShown(db(), instrument, parsed.data, nowS());
  return wrong === null ? Response.json({ ok: true }) : refuse('bad_value', wrong);
}

/** What the site's scales or meters show now, for who is about to write it down. */
export async function GET(request: Request) {
  const person = await requireRoute('read');
  if (person instanceof Response) return person;
  const what = liveQuerySchema.safeParse(new URL(request.url).searchParams.get('what'));
  if (!what.success) return refuse('bad_request', 'what: scale or ph_meter');
  return Response.json({ ok: true, ...(await liveOf(db(), what.data, nowS())) });
}
