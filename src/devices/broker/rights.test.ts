import { mayPublish, maySubscribe, type Party } from './rights';

const app: Party = { kind: 'app' };
const device: Party = { kind: 'device', id: 'd1', houseId: 'h1' };

test.each<[string, Party | undefined, string, boolean]>([
  ['a device its own reports', device, 'jolly/devices/d1/readings', true],
  ['a device another’s reports', device, 'jolly/devices/d2/readings', false],
  ['a device set points', device, 'jolly/houses/h1/program', false],
  ['a device answers', device, 'jolly/devices/d1/answer', false],
  ['a device everything', device, 'jolly/devices/+/readings', false],
  ['the application set points', app, 'jolly/houses/h1/program', true],
  ['the application answers', app, 'jolly/devices/d1/answer', true],
  ['the application reports', app, 'jolly/devices/d1/readings', false],
  ['the application something deeper', app, 'jolly/houses/h1/x/program', false],
  ['nobody', undefined, 'jolly/devices/d1/readings', false],
])('%s: may it write?', (_who, party, topic, may) => expect(mayPublish(party, topic)).toBe(may));

test.each<[string, Party | undefined, string, boolean]>([
  ['a device its house’s set points', device, 'jolly/houses/h1/program', true],
  ['a device another house’s', device, 'jolly/houses/h2/program', false],
  ['a device its answers', device, 'jolly/devices/d1/answer', true],
  ['a device reports', device, 'jolly/devices/d1/readings', false],
  ['a device everything', device, '#', false],
  ['the application all reports', app, 'jolly/devices/+/readings', true],
  ['the application everything', app, '#', false],
  ['nobody', undefined, 'jolly/houses/h1/program', false],
])('%s: may it listen?', (_who, party, topic, may) => expect(maySubscribe(party, topic)).toBe(may));
