import { Document, Page, StyleSheet, Text, View } from '@react-pdf/renderer';
import { PAPER } from '@core/paper/palette';
import type { Handout } from '@core/paper/handout';
import { FONT_FAMILY, registerFonts } from './fonts';

registerFonts();

const styles = StyleSheet.create({
  page: {
    fontFamily: FONT_FAMILY,
    fontSize: 10.5,
    lineHeight: 1.45,
    color: PAPER.text,
    paddingTop: 48,
    paddingBottom: 54,
    paddingHorizontal: 48,
  },
  title: { fontSize: 20, fontWeight: 700, lineHeight: 1.2, marginBottom: 4 },
  quiet: { color: PAPER.muted },
  heading: { fontSize: 12, fontWeight: 600, marginTop: 14, marginBottom: 3 },
  text: { marginTop: 5 },
  point: { flexDirection: 'row', marginTop: 3 },
  bullet: { width: 14 },
  row: { flexDirection: 'row', borderBottomWidth: 0.5, borderBottomColor: PAPER.line, paddingVertical: 5 },
  cell: { paddingRight: 8 },
  headCell: { fontWeight: 600, fontSize: 9.5 },
  foot: { position: 'absolute', top: 806, left: 48, width: 420, fontSize: 8.5, color: PAPER.muted },
  number: { left: undefined, right: 48, width: 60, textAlign: 'right' },
});

/** Plain paperwork: letters and sheets. */
export function HandoutPdf({ handout }: { handout: Handout }) {
  return (
    <Document title={handout.title} author="Glow Den" language="en">
      <Page size="A4" style={styles.page}>
        <Text style={styles.title}>{handout.title}</Text>
        {handout.subtitle !== '' && <Text style={styles.quiet}>{handout.subtitle}</Text>}
        {handout.blocks.map((block, i) => (
          <Block key={i} block={block} />
        ))}
        <Text style={styles.foot} fixed>
          {[handout.foot, handout.title].filter(Boolean).join(' · ')}
        </Text>
        <Text
          style={[styles.foot, styles.number]}
          fixed
          render={({ pageNumber, totalPages }) => `${pageNumber} of ${totalPages}`}
        />
      </Page>
    </Document>
  );
}

function Block({ block }: { block: Handout['blocks'][number] }) {
  switch (block.kind) {
    case 'heading':
      return (
        <Text style={styles.heading} minPresenceAhead={40}>
          {block.text}
        </Text>
      );
    case 'text':
      return <Text style={styles.text}>{block.text}</Text>;
    case 'points':
      return (
        <View>
          {block.points.map((point, i) => (
            <View key={i} style={styles.point} wrap={false}>
              <Text style={styles.bullet}>•</Text>
              <Text style={{ flex: 1 }}>{point}</Text>
            </View>
          ))}
        </View>
      );
    case 'table': {
      const cells = (texts: string[], head: boolean) =>
        block.columns.map(({ share }, k) => (
          <Text key={k} style={{ ...styles.cell, ...(head ? styles.headCell : {}), flexGrow: share, flexBasis: 0 }}>
            {texts[k] ?? ''}
          </Text>
        ));
      return (
        <View style={{ marginTop: 8 }}>
          <View style={styles.row}>
            {cells(
              block.columns.map(({ name }) => name),
              true,
            )}
          </View>
          {block.rows.map((row, i) => (
            <View key={i} style={styles.row} wrap={false}>
              {cells(row, false)}
            </View>
          ))}
        </View>
      );
    }
  }
}
