import fs from 'node:fs/promises';
import path from 'node:path';

/** The service worker, as the build made it: for every page, and looked at anew at every visit. */
export async function GET(): Promise<Response> {
  const file = path.join(process.cwd(), '.next/jolly/offline.worker.js');
  const script = await fs.readFile(file, 'utf8').catch(() => null);
  if (script === null) return new Response(null, { status: 404 });
  return new Response(script, {
    headers: {
      'content-type': 'text/javascript; charset=utf-8',
      'cache-control': 'no-cache',
      'service-worker-allowed': '/',
    },
  });
}
