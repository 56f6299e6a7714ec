import { Document, G, Image, Page, Path, Rect, StyleSheet, Svg, Text, View } from '@react-pdf/renderer';
import { markBox, markPath } from '@core/paper/markPath';
import { placeLabels } from '@core/paper/placeLabels';
import type { Fact } from '@core/paper/fact';
import { type Block, type Picture, sheetsOf } from '@core/paper/block';
import type { Figure } from '@core/paper/figure';
import type { Printed } from '@core/paper/papers';
import type { StatedPair } from '@core/paper/statedPair';
import { colourAt } from '@core/method/scale/colourMaps';
import { DEN, MARK, PAPER } from '@core/paper/palette';
import { FONT_FAMILY, registerFonts } from './fonts';
import { BarsView, LinesView, TableView } from './HeatingBlocks';

registerFonts();

/** Pictures of the report by their ids. */
export interface Pictures {
  frames: Record<string, Buffer>;
  photos: Record<string, { bytes: Buffer; width: number; height: number }>;
}

/** Two stand in a row. */
const FIGURE_WIDTH = 250;
const GAP = 14;
const CONTENT_WIDTH = 515;
const BAR = 10;
/** Room that what follows a heading needs on its page. */
const TEXT_AHEAD = 40;
const PICTURE_AHEAD = 240;
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
  heading: { fontSize: 12, fontWeight: 600, marginTop: 12, marginBottom: 4 },
  box: { borderWidth: 1, borderColor: PAPER.line, borderRadius: 6, padding: 10 },
  fact: { flexDirection: 'row', paddingVertical: 1.5 },
  factLabel: { width: 150, paddingRight: 10, color: PAPER.muted },
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
  small: { color: PAPER.muted, fontSize: 8.5 },
  callout: {
    borderLeftWidth: 3,
    borderLeftColor: PAPER.ember,
    paddingLeft: 8,
    paddingVertical: 3,
    marginVertical: 6,
    fontWeight: 600,
  },
  footer: { position: 'absolute', top: 800, width: 250, color: PAPER.muted, fontSize: 8.5 },
});

const SIGN_COLOUR = { colder: PAPER.cool, warmer: PAPER.warm, level: PAPER.text };

/** A report or another paper of a visit: sheet by sheet, each block drawn by its kind. */
export function ReportPdf({ printed, pictures }: { printed: Printed; pictures: Pictures }) {
  return (
    <Document title={printed.title} author="Glow Den" subject={printed.subject} language="en">
      {sheetsOf(printed.blocks).map((blocks, i) => (
        <Page key={i} size="A4" style={styles.page}>
          <Footer words={printed.foot} />
          {i === 0 && <Brand />}
          {blocks.map((block, j) => (
            <BlockView
              key={j}
              block={block}
              ahead={blocks[j + 1]?.kind === 'pictures' ? PICTURE_AHEAD : TEXT_AHEAD}
              pictures={pictures}
            />
          ))}
        </Page>
      ))}
    </Document>
  );
}

function BlockView({ block, ahead, pictures }: { block: Block; ahead: number; pictures: Pictures }) {
  switch (block.kind) {
    case 'sheet':
      return (
        <View style={{ marginBottom: 8 }}>
          {block.above !== '' && <Text style={styles.quiet}>{block.above}</Text>}
          <Text style={styles.title}>{block.title}</Text>
        </View>
      );
    case 'heading':
      return (
        <Text style={styles.heading} minPresenceAhead={ahead}>
          {block.text}
        </Text>
      );
    case 'text':
      return <Text style={[block.quiet ? styles.small : {}, { marginBottom: 4 }]}>{block.text}</Text>;
    case 'editable':
      if (block.text === '') return null;
      return block.edits.of === 'complaint' ? (
        <Facts facts={[{ label: block.label, value: block.text }]} />
      ) : (
        <Text style={{ marginBottom: 4 }}>{block.text}</Text>
      );
    case 'facts':
      return <Facts facts={block.facts} />;
    case 'list':
      return (
        <View>
          {block.entries.map(({ id, number, title, place, short }) => (
            <View key={id} style={styles.summary} wrap={false}>
              <Text style={{ width: 18, fontWeight: 600 }}>{number}</Text>
              <View style={{ flex: 1 }}>
                <Text style={{ fontWeight: 600 }}>{title}</Text>
                <Text style={styles.quiet}>{place}</Text>
              </View>
              <Text style={{ fontWeight: 600 }}>{short}</Text>
            </View>
          ))}
        </View>
      );
    case 'pictures':
      return (
        <View style={{ flexDirection: 'row', gap: GAP, marginTop: 4, marginBottom: 4 }} wrap={false}>
          {block.pictures.map((picture, i) => (
            <PictureView key={i} picture={picture} pictures={pictures} />
          ))}
        </View>
      );
    case 'difference':
      return (
        <View style={[styles.box, { marginTop: 8 }]} wrap={false}>
          <Text style={styles.quiet}>{block.stated.heading}</Text>
          <View style={{ flexDirection: 'row', alignItems: 'center', gap: GAP }}>
            <Text style={[styles.difference, { color: SIGN_COLOUR[block.stated.difference.sign] }]}>
              {block.stated.difference.value} {block.stated.difference.plusMinus}
            </Text>
            {block.stated.hour && <Text style={[styles.quiet, { flex: 1, textAlign: 'right' }]}>{block.stated.hour}</Text>}
          </View>
          <Text>{block.stated.difference.words}</Text>
          {block.stated.across && <Text style={styles.quiet}>{block.stated.across}</Text>}
        </View>
      );
    case 'regions':
      return <Regions stated={block.stated} />;
    case 'callout':
      return (
        <View style={styles.callout} wrap={false}>
          <Text>{block.text}</Text>
        </View>
      );
    case 'table':
      return <TableView block={block} />;
    case 'bars':
      return <BarsView block={block} />;
    case 'lines':
      return <LinesView block={block} width={CONTENT_WIDTH} />;
  }
}

function Regions({ stated }: { stated: StatedPair }) {
  return (
    <View wrap={false}>
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
    </View>
  );
}

/** A frame or a photo with its caption. */
function PictureView({ picture: { figure, photoId, caption }, pictures }: { picture: Picture; pictures: Pictures }) {
  const photo = photoId === null ? undefined : pictures.photos[photoId];
  const width = CONTENT_WIDTH - FIGURE_WIDTH - GAP;
  const png = figure && pictures.frames[figureKey(figure)];
  return (
    <View style={{ width: figure ? FIGURE_WIDTH : width }}>
      {figure && png && <FigureView figure={figure} png={png} />}
      {photo && (
        <Image
          src={photo.bytes}
          style={{ width, height: Math.min(300, (width * photo.height) / photo.width), objectFit: 'contain' }}
        />
      )}
      {!photo && (photoId !== null || !figure) && <Text style={styles.quiet}>The picture is missing.</Text>}
      {[figure?.scaleWords, caption].filter(Boolean).map((words) => (
        <Text key={words} style={[styles.small, { marginTop: 3 }]}>
          {words}
        </Text>
      ))}
    </View>
  );
}

/** A frame may stand in a report in more than one pair of colours. */
export function figureKey({ frameId, scale: { low, high, map } }: Figure): string {
  return `${frameId} ${low} ${high} ${map}`;
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

function Footer({ words }: { words: string }) {
  return (
    <>
      <Text style={[styles.footer, { left: 40 }]} fixed>
        {words}
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
