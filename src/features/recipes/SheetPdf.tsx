import { Document, Page, StyleSheet, Text, View, renderToBuffer } from '@react-pdf/renderer';
import type { DoseLine, DoseSheet, Recipe } from '@/core';
import { BASIS_WORDS } from '@/words/batch';
import { registerFonts } from '@/platform/pdf-fonts';
import type { Show } from '@/words/show';
import { PLACE_WORDS } from '@/words/recipe';

registerFonts();

const s = StyleSheet.create({
  page: { padding: 36, paddingBottom: 52, fontFamily: 'Atkinson', fontSize: 10.5, lineHeight: 1.3 },
  h1: { fontSize: 18, fontWeight: 800, lineHeight: 1.3, marginBottom: 4 },
  head: { flexDirection: 'row', marginTop: 10, paddingBottom: 3, fontWeight: 600 },
  row: { flexDirection: 'row', borderTopWidth: 0.5, borderColor: '#888', paddingVertical: 5 },
  cure: { backgroundColor: '#fbe6f1' },
  name: { width: 140 },
  dose: { width: 88, textAlign: 'right', paddingRight: 10 },
  scale: { width: 96, fontSize: 8.5 },
  place: { width: 66, fontSize: 8.5 },
  blank: { width: 66, marginRight: 6, borderBottomWidth: 0.7, borderColor: '#555' },
  soft: { color: '#444', fontSize: 8.5 },
  sign: { flexDirection: 'row', marginTop: 28 },
  line: { flex: 1, marginRight: 16, borderTopWidth: 0.7, borderColor: '#555', paddingTop: 2 },
  foot: { position: 'absolute', bottom: 22, left: 36, right: 36, fontSize: 8, color: '#444' },
});

type Props = {
  recipe: Recipe;
  version: number;
  sheet: DoseSheet;
  casing: string;
  site: string;
  show: Show;
  madeS: number;
  paper: 'A4' | 'LETTER';
};

function Row({ l, show }: { l: DoseLine; show: Show }) {
  const cure = l.kind === 'cure';
  return (
    <View style={cure ? [s.row, s.cure] : s.row} wrap={false}>
      <Text style={cure ? [s.name, { fontWeight: 800 }] : s.name}>{l.name}</Text>
      <View style={s.dose}>
        <Text style={{ fontWeight: 600, fontSize: cure ? 14 : 10.5, lineHeight: 1.3 }}>
          {l.kind === 'meat'
            ? show.quantity('mass', l.doseG, 3)
            : show.grams(l.doseG, l.scale?.resolutionG)}
        </Text>
        <Text style={s.soft}>
          {l.kind === 'meat'
            ? show.other('mass', l.doseG)
            : show.quantity('dose', l.doseG, 2, 'us')}
        </Text>
      </View>
      <Text style={s.scale}>
        {l.scale ? `${l.scale.name}, ${show.number(l.scale.resolutionG, 3)} g` : 'no scale'}
        {l.coarse ? ' (too coarse)' : ''}
      </Text>
      <Text style={s.place}>{l.step ? PLACE_WORDS[l.step] : ''}</Text>
      <View style={s.blank} />
      <View style={s.blank} />
    </View>
  );
}

function SheetDocument({ recipe, version, sheet, casing, site, show, madeS, paper }: Props) {
  const { cure } = recipe;
  return (
    <Document title={`Dose sheet ${recipe.name}`} author={site}>
      <Page size={paper} style={s.page} wrap>
        <Text style={s.h1}>{recipe.name}</Text>
        <Text>
          Dose sheet, recipe version {version} · {site} · {show.date(madeS)}
        </Text>
        <Text style={{ fontWeight: 600, marginTop: 4 }}>
          {show.mass(sheet.meatG)} of meat ({show.other('mass', sheet.meatG)}), batter{' '}
          {show.mass(sheet.batterG)}, finished about {show.mass(sheet.finishedG)}
        </Text>
        {cure && (
          <Text>
            {show.number(sheet.ppm, 1)} ppm sodium nitrite on the{' '}
            {BASIS_WORDS[cure.basis ?? 'meat_block']} from {cure.name} of{' '}
            {show.number(cure.nitriteFraction * 100, 3)} %. Look at the label before you weigh.
          </Text>
        )}
        <Text>{casing}</Text>
        <View style={s.head}>
          <Text style={s.name}>Line</Text>
          <Text style={s.dose}>Weigh</Text>
          <Text style={{ width: 96 }}>On</Text>
          <Text style={{ width: 66 }}>Goes in</Text>
          <Text style={{ width: 72 }}>Weighed</Text>
          <Text style={{ width: 72 }}>By</Text>
        </View>
        {sheet.lines.map((l) => (
          <Row key={l.lineId} l={l} show={show} />
        ))}
        <View style={s.sign} wrap={false}>
          <Text style={s.line}>Cure weighed by</Text>
          <Text style={s.line}>Second look by</Text>
          <Text style={s.line}>Day and time</Text>
        </View>
        <Text
          style={s.foot}
          fixed
          render={({ pageNumber, totalPages }) =>
            `Follow your local code and the authority that licenses you; this sheet does not replace either. Page ${pageNumber} of ${totalPages}.`
          }
        />
      </Page>
    </Document>
  );
}

/** The dose sheet as a PDF, with a place for each weighed figure and signature. */
export const sheetPdf = (props: Props) => renderToBuffer(<SheetDocument {...props} />);
