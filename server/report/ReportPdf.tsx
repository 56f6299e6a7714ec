import { Document, G, Image, Page, Path, Rect, StyleSheet, Svg, Text, View } from '@react-pdf/renderer';
import { markBox, markPath } from '@core/report/markPath';
import { placeLabels } from '@core/report/placeLabels';
import type { Fact } from '@core/report/fact';
import type { Evidence, Figure, Report, ReportFinding } from '@core/report/model';
import { colourAt } from '@core/scale/colourMaps';
import { DEN, MARK, PAPER } from '@core/report/palette';
import { FONT_FAMILY, registerFonts } from './fonts';

registerFonts();

/** Pictures of the report by their ids. */
export interface Pictures {
  frames: Record<string, Buffer>;
  photos: Record<string, { bytes: Buffer; width: number; height: number }>;
}

const FIGURE_WIDTH = 262;
const GAP = 14;
const CONTENT_WIDTH = 515;
const BAR = 10;
const LABEL_SIZE = 7.5;
const LABEL_HEIGHT = 10;

const styles = StyleSheet.create({
  page: {
    fontFamily: FONT_FAMILY,
    fontSize: 10,
    lineHeight: 1.4,
    color: PAPER.text,
    paddingTop: 40,
    paddingBottom: 54,
    paddingHorizontal: 40,
  },
  top: { flexDirection: 'row', alignItems: 'center', gap: 10, marginBottom: 18 },
  brand: { fontWeight: 600, fontSize: 11 },
  title: { fontSize: 22, fontWeight: 700, lineHeight: 1.2 },
  quiet: { color: PAPER.muted },
  heading: { fontSize: 12, fontWeight: 600, marginTop: 16, marginBottom: 5 },
  box: { borderWidth: 1, borderColor: PAPER.line, borderRadius: 6, padding: 10 },
  fact: { flexDirection: 'row', paddingVertical: 1.5 },
  factLabel: { width: 150, color: PAPER.muted },
  factValue: { flex: 1 },
  summary: { flexDirection: 'row', paddingVertical: 4, borderTopWidth: 1, borderTopColor: PAPER.line, gap: 8 },
  difference: { fontSize: 24, fontWeight: 700, lineHeight: 1.2 },
  label: {
    position: 'absolute',
    flexDirection: 'row',
    alignItems: 'center',
    gap: 2,
    fontSize: LABEL_SIZE,
    lineHeight: 1.25,
    fontWeight: 600,
    paddingHorizontal: 2,
    backgroundColor: MARK.dark,
  },
  footer: { position: 'absolute', top: 800, width: 250, color: PAPER.muted, fontSize: 8.5 },
});

const SIGN_COLOUR = { colder: PAPER.cool, warmer: PAPER.warm, level: PAPER.text };

/** The report as a document: first the answer, then a page a finding, then what was looked at and what it cannot say. */
export function ReportPdf({ report, pictures }: { report: Report; pictures: Pictures }) {
  return (
    <Document title={`${report.site}, ${report.day}`} author="Glow Den" subject={report.visit} language="en">
      <Page size="A4" style={styles.page}>
        <Footer report={report} />
        <Brand />
        <Text style={styles.title}>{report.site}</Text>
        <Text style={styles.quiet}>{[report.address, report.visit, report.day].filter(Boolean).join(' · ')}</Text>
        <Text style={styles.heading}>The question</Text>
        <Text>{[report.wanted, report.question].filter(Boolean).join(' ')}</Text>
        <Text style={styles.heading}>In short</Text>
        <Text>{report.answer}</Text>
        {report.complaints.length > 0 && (
          <View style={{ marginTop: 5 }}>
            <Facts facts={report.complaints} />
          </View>
        )}
        <View style={{ marginTop: 6 }}>
          {report.findings.map((finding) => (
            <View key={finding.id} style={styles.summary} wrap={false}>
              <Text style={{ width: 18, fontWeight: 600 }}>{finding.number}</Text>
              <View style={{ flex: 1 }}>
                <Text style={{ fontWeight: 600 }}>{finding.title}</Text>
                <Text style={styles.quiet}>{finding.place}</Text>
              </View>
              <Text style={{ fontWeight: 600 }}>
                {finding.stated ? `${finding.stated.difference.value} ${finding.stated.difference.plusMinus}` : 'no reading'}
              </Text>
            </View>
          ))}
        </View>
        {report.history.length > 0 && (
          <>
            <Text style={styles.heading}>What was done to the house</Text>
            <Facts facts={report.history} />
          </>
        )}
        <Text style={styles.heading}>Conditions: {report.verdict}</Text>
        <Facts facts={[...report.conditions, { label: 'Camera', value: report.camera }]} />
      </Page>
      {report.findings.map((finding) => (
        <Page key={finding.id} size="A4" style={styles.page}>
          <Footer report={report} />
          <FindingPage finding={finding} report={report} pictures={pictures} />
        </Page>
      ))}
      {report.evidence.length > 0 && (
        <Page size="A4" style={styles.page}>
          <Footer report={report} />
          <Text style={[styles.title, { marginBottom: 10 }]}>Pictures without data</Text>
          {report.evidence.map((evidence) => (
            <EvidenceView key={evidence.photoId} evidence={evidence} picture={pictures.photos[evidence.photoId]} />
          ))}
        </Page>
      )}
      <Page size="A4" style={styles.page}>
        <Footer report={report} />
        <Text style={styles.title}>What was looked at</Text>
        <View style={{ marginTop: 10 }}>
          <Facts facts={report.coverage} />
        </View>
        <Text style={styles.heading}>Limits of the method</Text>
        {report.limits.map((limit) => (
          <Text key={limit} style={{ marginBottom: 5 }}>
            {limit}
          </Text>
        ))}
      </Page>
    </Document>
  );
}

function Brand() {
  return (
    <View style={styles.top}>
      <Svg width={22} height={22} viewBox="0 0 30 30">
        <Path d="M3 27V14a12 12 0 0 1 24 0v13z" fill={DEN.raised} />
        <Path d="M10 27v-7a5 5 0 0 1 10 0v7z" fill={DEN.ember} />
      </Svg>
      <Text style={styles.brand}>Glow Den</Text>
    </View>
  );
}

function Footer({ report }: { report: Report }) {
  return (
    <>
      <Text style={[styles.footer, { left: 40 }]} fixed>
        {report.site} · {report.day}
      </Text>
      <Text
        style={[styles.footer, { right: 40, textAlign: 'right' }]}
        fixed
        render={({ pageNumber, totalPages }) => `Page ${pageNumber} of ${totalPages}`}
      />
    </>
  );
}

/** The sign of the reference; drawn, because the font does not have it. */
function Diamond({ colour, size = 7 }: { colour: string; size?: number }) {
  return (
    <Svg width={size} height={size} viewBox="0 0 10 10">
      <Path d="M5 0L10 5L5 10L0 5z" fill={colour} />
    </Svg>
  );
}

function Facts({ facts }: { facts: Fact[] }) {
  return (
    <View>
      {facts.map(({ label, value }) => (
        <View key={label} style={styles.fact}>
          <Text style={styles.factLabel}>{label}</Text>
          <Text style={styles.factValue}>{value}</Text>
        </View>
      ))}
    </View>
  );
}

/** A picture without data, with what was typed of it; plainly no measurement. */
function EvidenceView({ evidence, picture }: { evidence: Evidence; picture: Pictures['photos'][string] | undefined }) {
  return (
    <View style={{ flexDirection: 'row', gap: GAP, marginBottom: 14 }} wrap={false}>
      {picture ? (
        <Image
          src={picture.bytes}
          style={{ width: 200, height: Math.min(220, (200 * picture.height) / picture.width), objectFit: 'contain' }}
        />
      ) : (
        <Text style={styles.quiet}>The picture is missing.</Text>
      )}
      <View style={{ flex: 1 }}>
        <Text style={{ fontWeight: 600 }}>{evidence.name}</Text>
        <Text style={[styles.quiet, { marginBottom: 4 }]}>A picture without data: nothing was measured on it.</Text>
        <Facts facts={evidence.facts} />
      </View>
    </View>
  );
}

function FindingPage({ finding, report, pictures }: { finding: ReportFinding; report: Report; pictures: Pictures }) {
  const { stated } = finding;
  const photo = finding.photoId ? pictures.photos[finding.photoId] : undefined;
  const photoWidth = CONTENT_WIDTH - FIGURE_WIDTH - GAP;
  return (
    <>
      <Text style={styles.quiet}>
        Finding {finding.number} · {finding.place} · {finding.takenAt}
      </Text>
      <Text style={[styles.title, { fontSize: 18, marginBottom: 10 }]}>{finding.title}</Text>
      {stated ? (
        <>
          <View style={{ flexDirection: 'row', gap: GAP }}>
            <FigureView figure={stated.figure} png={pictures.frames[stated.figure.frameId]!} />
            {photo ? (
              <View style={{ width: photoWidth }}>
                <Image
                  src={photo.bytes}
                  style={{
                    width: photoWidth,
                    height: Math.min(300, (photoWidth * photo.height) / photo.width),
                    objectFit: 'contain',
                  }}
                />
                <Text style={[styles.quiet, { fontSize: 8.5, marginTop: 3 }]}>Photo of the same place</Text>
              </View>
            ) : (
              <Text style={styles.quiet}>No photo.</Text>
            )}
          </View>
          <Text style={[styles.quiet, { fontSize: 8.5, marginTop: 6 }]}>{stated.figure.scaleWords}</Text>
          <View style={[styles.box, { marginTop: 14 }]}>
            <Text style={styles.quiet}>{stated.heading}</Text>
            <Text style={[styles.difference, { color: SIGN_COLOUR[stated.difference.sign] }]}>
              {stated.difference.value} {stated.difference.plusMinus}
            </Text>
            <Text>{stated.difference.words}</Text>
            {stated.across && <Text style={styles.quiet}>{stated.across}</Text>}
          </View>
          <Text style={styles.heading}>The two regions</Text>
          {[stated.this, stated.that].map((region, i) => (
            <View key={i} style={styles.fact}>
              <View style={{ flex: 1.4, flexDirection: 'row', alignItems: 'center', gap: 4 }}>
                {i === 1 && <Diamond colour={PAPER.ember} />}
                <Text>{region.name}</Text>
              </View>
              <Text style={{ flex: 1, fontWeight: 600 }}>
                {region.mean} {region.plusMinus}
              </Text>
              <Text style={[styles.quiet, { flex: 1.4 }]}>
                {region.range}, {region.pixels} pixels
              </Text>
            </View>
          ))}
          {stated.moisture.length > 0 && (
            <Text style={{ marginTop: 4 }}>{stated.moisture.map(({ label, value }) => `${label} ${value}.`).join(' ')}</Text>
          )}
        </>
      ) : (
        <Text>{finding.problem}</Text>
      )}
      {finding.note !== '' && (
        <>
          <Text style={styles.heading}>Note</Text>
          <Text>{finding.note}</Text>
        </>
      )}
      <Text style={styles.heading}>Settings</Text>
      <Facts facts={finding.settings} />
      <Text style={styles.heading}>Conditions</Text>
      <Text>{report.conditions.map(({ label, value }) => `${label} ${value}`).join(' · ')}</Text>
    </>
  );
}

/** The picture with its marks, and its scale beneath with both ends in words. */
function FigureView({ figure, png }: { figure: Figure; png: Buffer }) {
  const zoom = FIGURE_WIDTH / figure.width;
  const height = figure.height * zoom;
  const placement = { x: 0, y: 0, zoom };
  const boxes = figure.marks.map((mark) => markBox(mark, placement));
  const places = placeLabels(
    figure.marks.map(({ text }, i) => ({ target: boxes[i]!, width: text.length * LABEL_SIZE * 0.55 + 12, height: LABEL_HEIGHT })),
    { x: 0, y: 0, width: FIGURE_WIDTH, height },
    2,
  );
  const steps = 64;
  return (
    <View style={{ width: FIGURE_WIDTH }}>
      <View style={{ width: FIGURE_WIDTH, height }}>
        <Image src={png} style={{ width: FIGURE_WIDTH, height }} />
        <Svg
          style={{ position: 'absolute', left: 0, top: 0 }}
          width={FIGURE_WIDTH}
          height={height}
          viewBox={`0 0 ${FIGURE_WIDTH} ${height}`}
        >
          {figure.marks.map((mark) => (
            <G key={mark.id}>
              {mark.shape.kind === 'beyond' ? (
                <Path d={markPath(mark, placement)} fill={MARK.light} fillOpacity={0.3} />
              ) : (
                <>
                  <Path d={markPath(mark, placement)} fill="none" stroke={MARK.dark} strokeWidth={2.6} />
                  <Path
                    d={markPath(mark, placement)}
                    fill="none"
                    stroke={mark.reference ? MARK.reference : MARK.light}
                    strokeWidth={1.1}
                    strokeDasharray={mark.reference ? '4 2' : undefined}
                  />
                </>
              )}
            </G>
          ))}
        </Svg>
        {figure.marks.map((mark, i) => {
          const colour = mark.reference ? MARK.reference : MARK.light;
          return (
            <View key={mark.id} style={[styles.label, { left: places[i]!.x, top: places[i]!.y }]}>
              {mark.reference && <Diamond colour={colour} size={6} />}
              <Text style={{ color: colour }}>{mark.text}</Text>
            </View>
          );
        })}
      </View>
      <Svg width={FIGURE_WIDTH} height={BAR} style={{ marginTop: 5 }}>
        {Array.from({ length: steps }, (_, i) => {
          const [r, g, b] = colourAt(figure.scale.map, (i + 0.5) / steps);
          return (
            <Rect
              key={i}
              x={(i * FIGURE_WIDTH) / steps}
              y={0}
              width={FIGURE_WIDTH / steps + 0.3}
              height={BAR}
              fill={`rgb(${r},${g},${b})`}
            />
          );
        })}
      </Svg>
      <View style={{ flexDirection: 'row', justifyContent: 'space-between', fontSize: 8.5 }}>
        <Text>{figure.scaleEnds.low}</Text>
        <Text>{figure.scaleEnds.high}</Text>
      </View>
    </View>
  );
}
