import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { AlreadyRunning, OneAtATime } from './one-at-a-time';

let folder: string;
beforeEach(() => {
  folder = fs.mkdtempSync(path.join(os.tmpdir(), 'kettle-'));
});
afterEach(() => fs.rmSync(folder, { recursive: true }));
const lock = (what: string, alive = true) =>
  new OneAtATime(what, path.join(folder, 'run/kettle.lock'), () => alive);

test('a second start is refused and told where the first one is', () => {
  const first = lock('demo');
  first.take();
  expect(() => lock('start').take()).toThrow(/\(demo\).*still starting/);
  first.tell('http://127.0.0.1:3000');
  expect(() => lock('start').take()).toThrow(AlreadyRunning);
  expect(() => lock('start').take()).toThrow(
    new RegExp(`at http://127.0.0.1:3000: process ${process.pid}`),
  );
  first.release();
  expect(() => lock('start').take()).not.toThrow();
});

test('what a killed one left behind is taken over', () => {
  lock('demo').take();
  const next = lock('start', false);
  expect(() => next.take()).not.toThrow();
});

test('a file that is none is no lock', () => {
  fs.mkdirSync(path.join(folder, 'run'));
  fs.writeFileSync(path.join(folder, 'run/kettle.lock'), '{ half');
  expect(() => lock('start').take()).not.toThrow();
});

test('only its holder gives it up', () => {
  const file = path.join(folder, 'run/kettle.lock');
  lock('demo').take();
  fs.writeFileSync(file, JSON.stringify({ pid: 1, what: 'start', url: null }));
  lock('demo').release();
  expect(fs.existsSync(file)).toBe(true);
});
