import {
  Document,
  Line,
  Page,
  Polyline,
  StyleSheet,
  Svg,
  Text,
  View,
  renderToBuffer,
} from '@react-pdf/renderer';
import { floorRuleOf, outcomeOf, smokeOf, thinReadings } from '@/core';
import type { Dossier } from '@/features/logbook/service';
import { entryWords } from '@/words/entry';
import { smokeRestWords } from '@/words/hanging';
import { checkWords } from '@/words/verdict';
import { OUTCOME_WORDS } from '@/words/route';
import { CHECK_WORDS, standWords } from '@/words/batch';
import { registerFonts } from '@/platform/pdf-fonts';
import type { Show } from '@/words/show';

registerFonts();

const s = StyleSheet.create({
  page: { padding: 40, paddingBottom: 56, fontFamily: 'Atkinson', fontSize: 9.5, lineHeight: 1.35 },
  h1: { fontSize: 18, fontWeight: 800, lineHeight: 1.3, marginBottom: 4 },
  h2: { fontSize: 12, fontWeight: 600, marginTop: 12, marginBottom: 4 },
  row: { flexDirection: 'row', borderTopWidth: 0.5, borderColor: '#999', paddingVertical: 3 },
  soft: { color: '#444' },
  foot: { position: 'absolute', bottom: 24, left: 40, right: 40, fontSize: 8, color: '#444' },
});

const WORD = { pass: 'PASS', fail: 'FAIL', missing: 'MISSING' } as const;
const CHART = { width: 510, height: 150, left: 28, bottom: 14 };

/** The core and air curves as lines, with the axis in the site's unit. */
function Curves({ d, show }: { d: Dossier; show: Show }) {
  const probes = d.case.state.probes
    .map((p) => ({
      what: p.what,
      readings: thinReadings(d.case.series[p.channelId] ?? [], 300).filter(
        (r) => r.tS >= (d.case.state.run?.startS ?? 0),
      ),
    }))
    .filter((p) => p.readings.length > 1);
  if (probes.length === 0) return <Text style={s.soft}>No probe readings.</Text>;
  const all = probes.flatMap((p) => p.readings);
  const [from, to] = [Math.min(...all.map((r) => r.tS)), Math.max(...all.map((r) => r.tS))];
  const top = Math.max(...all.map((r) => r.tempC), 60) + 5;
  const x = (tS: number) =>
    CHART.left + ((tS - from) / (to - from || 1)) * (CHART.width - CHART.left);
  const y = (tempC: number) => (1 - Math.max(0, tempC) / top) * (CHART.height - CHART.bottom);
  const grid = [0, 20, 40, 60, 80].filter((t) => t < top);
  return (
    <Svg width={CHART.width} height={CHART.height}>
      {grid.map((t) => (
        <Line
          key={t}
          x1={CHART.left}
          x2={CHART.width}
          y1={y(t)}
          y2={y(t)}
          strokeWidth={0.4}
          stroke="#bbb"
        />
      ))}
      {grid.map((t) => (
        <Text key={t} x={0} y={y(t) + 3} style={{ fontSize: 7 }}>
          {show.quantity('temperature', t, 0)}
        </Text>
      ))}
      {probes.map((p, i) => (
        <Polyline
          key={i}
          points={p.readings.map((r) => `${x(r.tS)},${y(r.tempC)}`).join(' ')}
          stroke={p.what === 'core' ? '#a3241b' : '#2f6f9f'}
          strokeWidth={p.what === 'core' ? 1.2 : 0.6}
          fill="none"
        />
      ))}
      <Text x={CHART.left} y={CHART.height - 2} style={{ fontSize: 7 }}>
        {show.clock(from)}
      </Text>
      <Text x={CHART.width - 50} y={CHART.height - 2} style={{ fontSize: 7 }}>
        {show.clock(to)}
      </Text>
    </Svg>
  );
}

/** How long it was in smoke, as far as somebody saw it. */
function Smoke({ d, show }: { d: Dossier; show: Show }) {
  const { state, rules, nowS } = d.case;
  const smoke = smokeOf(state, floorRuleOf(rules).smokeLookS, nowS);
  if (!smoke) return null;
  return (
    <View wrap={false}>
      <Text style={s.h2}>Smoke</Text>
      <Text>
        {show.duration(smoke.countsS)} {smokeRestWords(smoke, show)}.
      </Text>
    </View>
  );
}

type Props = {
  d: Dossier;
  site: string;
  show: Show;
  headHash: string;
  /** Where the ledger ended when this was printed. */
  anchor: string;
  madeS: number;
};

function RecordDocument({ d, site, show, headHash, anchor, madeS }: Props) {
  const { state } = d.case;
  const sign = state.signature;
  return (
    <Document title={`Batch record ${d.head.code}`} author={site}>
      <Page size="A4" style={s.page} wrap>
        <Text style={s.h1}>Batch record {d.head.code}</Text>
        <Text>
          {d.head.recipe.name}, recipe version {d.head.recipeVersion} · {site} · when it is done:{' '}
          {OUTCOME_WORDS[outcomeOf(d.head.recipe)]}
        </Text>
        <Text>
          Meat {show.mass(state.meatG ?? state.plannedMeatG)} (
          {show.other('mass', state.meatG ?? state.plannedMeatG)}) · started{' '}
          {show.date(state.startedS)} · {standWords(state)}
        </Text>
        <Text style={{ fontWeight: 600 }}>
          {sign?.stands
            ? `Released: signed by ${sign.by.name}, ${show.date(sign.atS)}`
            : sign
              ? `Signed ${show.date(sign.atS)}, corrected since: the verdict is open again`
              : 'Not released'}
        </Text>
        <Text style={s.h2}>Verdict</Text>
        {d.verdict.checks.map((k) => (
          <View key={k.code} style={s.row} wrap={false}>
            <Text style={{ width: 60, fontWeight: 600 }}>{WORD[k.status]}</Text>
            <View style={{ flex: 1 }}>
              <Text style={{ fontWeight: 600 }}>{CHECK_WORDS[k.code]}</Text>
              <Text>{checkWords(k, show)}</Text>
              <Text style={s.soft}>
                {k.rule.title}, version {k.rule.version}. {k.rule.source}
              </Text>
            </View>
          </View>
        ))}
        <View wrap={false}>
          <Text style={s.h2}>Core (dark) and air (thin) temperatures</Text>
          <Curves d={d} show={show} />
        </View>
        <Smoke d={d} show={show} />
        <Text style={s.h2}>Logbook</Text>
        {[...d.entries]
          .sort((a, b) => a.happenedS - b.happenedS || a.seq - b.seq)
          .map((e) => (
            <View key={e.id} style={s.row} wrap={false}>
              <Text style={{ width: 70 }}>{show.clock(e.happenedS)}</Text>
              <Text style={{ flex: 1 }}>
                {entryWords(e.body, d.head.recipe, show, d.case.state.run?.program)}
              </Text>
              <Text style={{ width: 110, textAlign: 'right' }}>
                {e.by.name} · no. {e.seq}
              </Text>
            </View>
          ))}
        <Text style={[s.soft, { marginTop: 8 }]}>
          Times in {show.settings.timeZone}. Hash of this batch’s last entry: {headHash}. Anchor of
          the site’s ledger when this was printed: {anchor}
        </Text>
        <Text
          style={s.foot}
          fixed
          render={({ pageNumber, totalPages }) =>
            `Follow your local code and the authority that licenses you; this record does not replace either. Printed ${show.date(madeS)}. Page ${pageNumber} of ${totalPages}.`
          }
        />
      </Page>
    </Document>
  );
}

/** The batch record as a PDF that can be handed to an inspector. */
export const recordPdf = (props: Props) => renderToBuffer(<RecordDocument {...props} />);
