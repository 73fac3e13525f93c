import { mqttAnswer, mqttProgram, mqttReadings } from '@/features/readings/contract';

/** Who has joined the broker: the application, or a device with its house. */
export type Party = { kind: 'app' } | { kind: 'device'; id: string; houseId: string };

/** The application writes set points and answers, a device its own reports, and nobody anything else. */
export function mayPublish(party: Party | undefined, topic: string): boolean {
  if (!party || /[+#]/.test(topic)) return false;
  if (party.kind === 'device') return topic === mqttReadings(party.id);
  return /^jolly\/(houses\/[^/]+\/program|devices\/[^/]+\/answer)$/.test(topic);
}

/** The application hears all reports, a device its house's set points and the answers to its own reports. */
export function maySubscribe(party: Party | undefined, topic: string): boolean {
  if (!party) return false;
  if (party.kind === 'app') return topic === mqttReadings('+');
  return topic === mqttProgram(party.houseId) || topic === mqttAnswer(party.id);
}
