import { formatNumber as f } from '../../quantities/index.ts';
import { choice, defineReckoner, quantity, ReckonError } from '../shape/index.ts';
import { elastomers, fluids } from './tables/elastomers.ts';

/** Which rubbers bear a fluid and its temperatures, and why the others do not. ISO 1629 codes. */
export const sealMaterial = defineReckoner({
  id: 'seal-material',
  title: 'Which rubber for this fluid',
  subject: 'seals',
  asks: ['rubber for brake fluid', 'seal material', 'which compound'],
  formula: 'bears the fluid, its range holds both temperatures, and may rub where it must',
  sources: ['handbook ratings, from memory: the compound’s maker comes first', 'ISO 1629 codes'],
  checks: [
    {
      inputs: { fluid: 'glycol-brake-fluid', temperatureMin: '-20 °C', temperatureMax: '110 °C', motion: 'dynamic' },
      gives: { suited: 'EPDM PTFE' },
      source: 'common practice: no nitrile in brake fluid',
    },
    {
      inputs: { fluid: 'mineral-oil', temperatureMin: '-20 °C', temperatureMax: '120 °C', motion: 'dynamic' },
      gives: { suited: 'HNBR FKM ACM PTFE' },
      source: 'common practice: nitrile hardens over 100 °C',
    },
  ],
  dangers: {
    brakes: {
      harm: 'The wrong rubber swells in brake fluid: the brake fails.',
      fires: { fluid: 'glycol-brake-fluid' },
      silent: { fluid: 'mineral-oil' },
    },
    doubtful: {
      harm: 'A rubber on which the handbooks differ is fitted as if they agreed: it hardens, and the oil gets out.',
      fires: { fluid: 'ester-oil' },
      silent: { fluid: 'mineral-oil' },
    },
    'none-suits': {
      harm: 'The least bad of them is fitted: it goes hard or dissolves, and what it holds back gets out.',
      fires: { temperatureMax: '400 °C' },
      silent: { temperatureMax: '120 °C' },
    },
  },
  inputs: {
    fluid: choice(fluids, 'Fluid'),
    temperatureMin: quantity('temperature', 'Coldest', { min: -273.15, max: 1000 }),
    temperatureMax: quantity('temperature', 'Hottest', { min: -273.15, max: 1000 }),
    motion: choice(['static', 'dynamic'], 'Motion'),
  },
  outputs: {
    suited: { label: 'Suited', is: 'list' },
    unsuited: { label: 'Not suited', is: 'table' },
  },
  compute({ fluid, temperatureMinC: cold, temperatureMaxC: hot, motion }, work) {
    if (cold > hot) throw new ReckonError('inconsistent', 'temperatureMin', cold, `at most the hottest, ${f(hot)} °C`);
    const suited: string[] = [];
    const unsuited: { material: string; reason: string }[] = [];
    for (const [code, m] of Object.entries(elastomers)) {
      const mark = m.bears[fluid];
      const reasons = [
        ...(mark === 0 ? [`${fluid.replace(/-/g, ' ')} attacks it`] : []),
        ...(mark === 1 ? [motion === 'dynamic' ? 'swells or hardens where it rubs' : 'only for a while'] : []),
        ...(cold < m.fromC ? [`stiff below ${m.fromC} °C`] : []),
        ...(hot > m.toC ? [`ages above ${m.toC} °C`] : []),
        ...(motion === 'dynamic' && !m.dynamic ? ['tears where it rubs'] : []),
      ];
      if (reasons.length === 0) suited.push(code);
      else unsuited.push({ material: code, reason: reasons.join('; ') });
      work.step(
        code,
        'fluid, range, motion',
        `${mark} of 2; ${m.fromC} to ${m.toC} °C`,
        reasons.length === 0 ? 'suited' : reasons.join('; '),
      );
    }
    if (fluid === 'ester-oil')
      work.warn(
        'doubtful',
        'FKM in ester oil is doubtful here: handbooks differ with the ester and with what is dissolved in it. Ask the maker of the compound.',
      );
    if (fluid === 'glycol-brake-fluid')
      work.warn('brakes', 'Brakes: only parts that their maker names. A drop of mineral oil swells EPDM.');
    if (suited.length === 0) work.warn('none-suits', 'None of these: ask the maker of the seal.');
    return { suited, unsuited };
  },
});
