import { requirePage } from '@/features/accounts/identify';
import { may } from '@/features/accounts/policy';
import { listDevices, listHouses, listMachines, listScales } from '@/features/settings/service';
import { showOfRequest } from '@/features/settings/show';
import { Part } from '@/features/settings/ui/Part';
import {
  AutoForm,
  DeviceForm,
  HangingForm,
  HouseForm,
  RevokeForm,
  ScaleForm,
} from '@/features/settings/ui/EquipmentForms';
import { MachineForm, RemoveMachineForm } from '@/features/settings/ui/MachineForms';
import { CareForm, LayoutForm, SensorForms } from '@/features/settings/ui/PlaceForms';
import { houseChannels, listInstruments, listMeters } from '@/features/readings/service';
import { InstrumentForm, RevokeInstrumentForm } from '@/features/readings/ui';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';
import { learnedByMachine } from '@/features/making/service';
import { learnedWords, machineWords } from '@/words/machine';
import { HOUSE_KIND_WORDS } from '@/words/house';

/** Scales, places that product hangs or lies in, and the devices that report from them. */
export default async function EquipmentPage() {
  const person = await requirePage();
  const show = await showOfRequest();
  const run = may(person.role, 'run_site');
  const [scales, houses, devices, machines, learned, instruments, meters] = await Promise.all([
    listScales(db()),
    listHouses(db()),
    listDevices(db()),
    listMachines(db()),
    learnedByMachine(db()),
    listInstruments(db()),
    listMeters(db(), nowS()),
  ]);
  const sensors = new Map(
    await Promise.all(
      houses.map(async (h) => {
        const air = (await houseChannels(db(), h.id)).filter((c) => c.what === 'air');
        return [h.id, air] as const;
      }),
    ),
  );
  return (
    <div className="grid items-start gap-4 lg:grid-cols-2">
      <div className="space-y-4">
        <Part title="Houses and other places">
          <ul>
            {houses.map((h) => (
              <li key={h.id} className="border-t border-line py-2">
                <p>
                  <strong>{h.name}</strong>, {HOUSE_KIND_WORDS[h.kind]}:{' '}
                  {h.sticks && h.stickMm && h.dropMm && h.capacityG
                    ? `${h.sticks} sticks of ${show.quantity('length', h.stickMm)}, pieces up to ${show.quantity('length', h.dropMm)}, ${show.mass(h.capacityG)}`
                    : 'hanging room not given yet'}
                </p>
                {run && <AutoForm id={h.id} on={h.autoAdvance} />}
                {run && (
                  <div key={show.settings.system}>
                    <HangingForm house={h} system={show.settings.system} />
                    <LayoutForm place={h} system={show.settings.system} />
                    <CareForm
                      place={h}
                      isBath={h.kind === 'water_bath'}
                      system={show.settings.system}
                    />
                    <SensorForms place={h} sensors={sensors.get(h.id) ?? []} />
                  </div>
                )}
              </li>
            ))}
          </ul>
          {run && <HouseForm />}
        </Part>
        <Part title="Machines of the bench">
          <p className="small">
            What a pass does to the meat, and how long it takes, is learned from the log for each of
            them.
          </p>
          <ul>
            {machines.map((m) => (
              <li key={m.id} className="border-t border-line py-2">
                <p>
                  <strong>{m.name}</strong>, {machineWords(m, show)}
                  {learned[m.id] && `; ${learnedWords(learned[m.id]!, show)}`}
                </p>
                {run && (
                  <details>
                    <summary className="min-h-12 cursor-pointer py-3 text-soft">
                      Change {m.name}
                    </summary>
                    <MachineForm
                      key={show.settings.system}
                      machine={m}
                      system={show.settings.system}
                    />
                    <RemoveMachineForm id={m.id} name={m.name} />
                  </details>
                )}
              </li>
            ))}
          </ul>
          {run && <MachineForm key={show.settings.system} system={show.settings.system} />}
        </Part>
      </div>
      <div className="space-y-4">
        <Part title="Scales">
          <ul>
            {scales.map((s) => (
              <li key={s.id} className="border-t border-line py-2">
                {s.name}: up to {show.number(s.capacityG)} g in steps of{' '}
                {show.number(s.resolutionG, 3)} g
              </li>
            ))}
          </ul>
          {run && <ScaleForm />}
        </Part>
        <Part title="Devices">
          <p className="small">
            Loggers report over <a href="/api/v1/openapi.json">the device interface</a> with their
            own token.
          </p>
          <ul>
            {devices.map((d) => (
              <li
                key={d.id}
                className="flex flex-wrap items-center gap-3 border-t border-line py-2"
              >
                <span>
                  {d.name}:{' '}
                  {d.revokedAt
                    ? 'revoked'
                    : d.lastSeenAt
                      ? `last heard ${show.clock(d.lastSeenAt.getTime() / 1000)}`
                      : 'never heard'}
                </span>
                {run && !d.revokedAt && <RevokeForm id={d.id} />}
              </li>
            ))}
          </ul>
          {run && houses.length > 0 && <DeviceForm houses={houses} />}
        </Part>
        <Part title="Scales and meters that say what they show">
          <p className="small">
            Over the same interface, with a token each. What they show is offered where a weight or
            a pH is logged; it counts only once a person takes it.
          </p>
          <ul>
            {instruments.map((i) => (
              <li
                key={i.id}
                className="flex flex-wrap items-center gap-3 border-t border-line py-2"
              >
                <span>
                  {i.name}:{' '}
                  {i.shownAt
                    ? `last heard ${show.clock(i.shownAt.getTime() / 1000)}`
                    : 'never heard'}
                </span>
                {run && <RevokeInstrumentForm id={i.id} name={i.name} />}
              </li>
            ))}
          </ul>
          {run && <InstrumentForm meters={meters} />}
        </Part>
      </div>
    </div>
  );
}
