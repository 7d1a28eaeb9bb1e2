/** The colours of the day and of the night, by use. The same table feeds our own styles and Vuetify's theme. */
interface Palette {
  readonly paper: string;
  readonly surface: string;
  readonly ink: string;
  readonly quiet: string;
  readonly hair: string;
  readonly row: string;
  readonly rail: string;
  readonly blue: string;
  readonly onBlue: string;
  readonly blueDeep: string;
  readonly tint: string;
  readonly even: string;
  readonly evenGround: string;
  readonly amber: string;
  readonly amberGround: string;
  readonly amberRule: string;
  readonly amberText: string;
  readonly red: string;
  readonly redGround: string;
  readonly field: string;
  readonly tick: string;
  readonly tickTen: string;
  readonly ground: string;
  readonly groundDeep: string;
  readonly groundLight: string;
  readonly scribe: string;
  readonly scribe2: string;
  readonly scribe3: string;
  readonly scribeText: string;
  readonly centre: string;
  readonly bright: string;
  readonly clash: string;
  readonly dotted: string;
}

const day: Palette = {
  paper: '#F4F5F0',
  surface: '#FFFFFF',
  ink: '#18222B',
  quiet: '#5B6770',
  hair: '#C9CEC8',
  row: '#E3E6E1',
  rail: '#ECEEE7',
  blue: '#24408E',
  onBlue: '#FFFFFF',
  blueDeep: '#152B66',
  tint: '#F1F4FC',
  even: '#1F6F63',
  evenGround: '#EDF4F1',
  amber: '#9A6412',
  amberGround: '#FBF6EB',
  amberRule: '#DCCFB4',
  amberText: '#4E4636',
  red: '#B3371F',
  redGround: '#F8E6E2',
  field: '#868F8C',
  tick: '#9AA39D',
  tickTen: '#7F8984',
  ground: '#1B2F6B',
  groundDeep: '#172A61',
  groundLight: '#2C4790',
  scribe: '#EAF0FF',
  scribe2: '#A9B9E8',
  scribe3: '#4C63AC',
  scribeText: '#BECBF0',
  centre: '#5E75BC',
  bright: '#FFFFFF',
  clash: '#FFC2A6',
  dotted: '#BCC3BD',
};

/** For work in the dark outdoors: reds only, nothing white; rank comes from size and weight. */
const night: Palette = {
  paper: '#0B0707',
  surface: '#0E0808',
  ink: '#D9584A',
  quiet: '#CB5245',
  hair: '#4A221D',
  row: '#2A1210',
  rail: '#100A09',
  blue: '#D9584A',
  onBlue: '#0B0707',
  blueDeep: '#B0483C',
  tint: '#0E0808',
  even: '#D9584A',
  evenGround: '#1A0D0B',
  amber: '#D9584A',
  amberGround: '#0E0808',
  amberRule: '#4A221D',
  amberText: '#CB5245',
  red: '#D9584A',
  redGround: '#2A1210',
  field: '#7A352C',
  tick: '#7A352C',
  tickTen: '#B0483C',
  ground: '#0B0707',
  groundDeep: '#0E0808',
  groundLight: '#2A1210',
  scribe: '#D9584A',
  scribe2: '#B0483C',
  scribe3: '#4A221D',
  scribeText: '#CB5245',
  centre: '#6E2A23',
  bright: '#D9584A',
  clash: '#D9584A',
  dotted: '#4A221D',
};

export const palettes = { day, night } as const;
export type PaletteName = keyof typeof palettes;

/** "--p-paper: #F4F5F0; …" */
export const variables = (p: Palette): string =>
  Object.entries(p)
    .map(([use, colour]) => `--p-${use.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`)}: ${colour};`)
    .join(' ');
