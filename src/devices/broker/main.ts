import { createServer } from 'node:net';
import { Aedes, type AuthenticateError, type Client } from 'aedes';
import { z } from 'zod';
import { mayPublish, maySubscribe, type Party } from './rights';

/** The stand-in's own small broker, so that the demo needs none: a process of its own on this machine only. */
const PORT = Number(process.env.JOLLY_BROKER_PORT ?? 1883);
const devices = z
  .array(z.object({ id: z.string(), token: z.string(), houseId: z.string() }))
  .parse(JSON.parse(process.env.JOLLY_DEVICES ?? '[]'));
const APP = { name: 'jolly-app', password: process.env.JOLLY_BROKER_PASSWORD ?? '' };

const parties = new WeakMap<Client, Party>();

function partyOf(name: string | undefined, password: string): Party | null {
  if (APP.password !== '' && name === APP.name && password === APP.password) return { kind: 'app' };
  const device = devices.find((d) => d.id === name && d.token === password);
  return device ? { kind: 'device', id: device.id, houseId: device.houseId } : null;
}

const refused = (): AuthenticateError =>
  Object.assign(new Error('not known'), { returnCode: 4 }) as AuthenticateError;

const broker = await Aedes.createBroker({
  authenticate: (client, name, password, done) => {
    const party = partyOf(name, password?.toString('utf8') ?? '');
    if (party) parties.set(client, party);
    done(party ? null : refused(), party !== null);
  },
  authorizePublish: (client, packet, done) =>
    done(!client || mayPublish(parties.get(client), packet.topic) ? null : new Error('not yours')),
  authorizeSubscribe: (client, wanted, done) =>
    done(null, maySubscribe(parties.get(client), wanted.topic) ? wanted : null),
});
createServer(broker.handle).listen(PORT, '127.0.0.1');
