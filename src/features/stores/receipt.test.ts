import { outsideOnReceipt } from './receipt';

const DAY = '2026-11-23';

test.each([
  ['meat at its limit', 'meat', 4, null, []],
  ['meat just over it', 'meat', 4.1, null, ['receivedTempC']],
  ['meat whose temperature nobody took', 'meat', null, null, []],
  ['a dry addition at room temperature', 'addition', 21, null, []],
  ['on its last day', 'meat', 2, DAY, []],
  ['a day past', 'cure', null, '2026-11-22', ['useBy']],
  ['warm and past', 'meat', 9, '2020-01-01', ['receivedTempC', 'useBy']],
] as const)('%s', (_, kind, receivedTempC, useBy, fields) => {
  expect(Object.keys(outsideOnReceipt(kind, { receivedTempC, useBy }, DAY))).toEqual(fields);
});
