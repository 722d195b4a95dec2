/** Section through two taper bearings with the spacer and the shim pack between their cones. */
export function PackSection({
  pieces,
  pack,
}: {
  readonly pieces: readonly number[];
  readonly pack: string;
}): React.JSX.Element {
  const total = pieces.reduce((a, b) => a + b, 0) || 1;
  let x = 232;
  return (
    <svg viewBox="0 14 392 236" width="100%" role="img" aria-label={`Pack of ${pack} between the cones`}>
      <defs>
        <pattern id="hatch-hub" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="8" height="8" fill="var(--sheet)" />
          <path d="M0 0V8" stroke="#a9a392" strokeWidth="1.6" />
        </pattern>
        <pattern id="hatch-spindle" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
          <rect width="8" height="8" fill="var(--sheet)" />
          <path d="M0 0V8" stroke="#8d8778" strokeWidth="1.6" />
        </pattern>
      </defs>
      <path
        d="M30 20H362V96H318V84H252V108H140V84H74V96H30Z"
        fill="url(#hatch-hub)"
        stroke="var(--ink)"
        strokeWidth="2"
      />
      <path
        d="M10 218H386V188H334V176H308V168H252V174H140V168H84V178H10Z"
        fill="url(#hatch-spindle)"
        stroke="var(--ink)"
        strokeWidth="2"
      />
      <path d="M4 218H388" stroke="var(--ink)" strokeWidth="1.5" strokeDasharray="18 5 4 5" />
      {[
        { x0: 140, d: -1 },
        { x0: 252, d: 1 },
      ].map(({ x0, d }) => {
        const k = (v: number): number => x0 + d * v;
        return (
          <g key={x0} stroke="var(--ink)" strokeWidth="2">
            <path d={`M${k(0)} 96V84H${k(56)}V122L${k(0)} 108Z`} fill="var(--line2)" />
            <path d={`M${k(0)} 168V150L${k(56)} 138V168Z`} fill="var(--line2)" />
            <path d={`M${k(8)} 113L${k(48)} 123L${k(48)} 137L${k(8)} 145Z`} fill="var(--sheet)" />
          </g>
        );
      })}
      <rect x="140" y="152" width="92" height="22" fill="var(--line)" stroke="var(--ink)" strokeWidth="2" />
      {pieces.map((p, i) => {
        const width = (20 * p) / total;
        const at = x;
        x += width;
        return (
          <rect
            key={`${i}-${p}`}
            x={at}
            y="146"
            width={width}
            height="28"
            fill={i % 2 ? 'var(--brasswash)' : 'var(--brassfill)'}
            stroke="var(--ink)"
            strokeWidth="2"
          />
        );
      })}
      <path d="M308 112H332V188H308Z" fill="var(--line)" stroke="var(--ink)" strokeWidth="2" />
      <path d="M240 146V138" stroke="var(--brass)" strokeWidth="2" />
      <rect x="142" y="110" width="106" height="28" fill="var(--sheet)" stroke="var(--brass)" strokeWidth="1.5" />
      <text x="195" y="129" fontSize="15" fontWeight="700" textAnchor="middle" fill="var(--ink)">
        pack {pack}
      </text>
      <text x="196" y="52" fontSize="15" textAnchor="middle" fill="var(--ink)">
        hub
      </text>
      <text x="196" y="206" fontSize="15" textAnchor="middle" fill="var(--ink)">
        spindle
      </text>
      <text x="186" y="168" fontSize="14" textAnchor="middle" fill="var(--ink)">
        spacer
      </text>
      <text x="352" y="150" fontSize="15" textAnchor="middle" fill="var(--ink)">
        nut
      </text>
      <path d="M150 240H246M150 240l10-5v10zM246 240l-10-5v10z" stroke="var(--ink)" strokeWidth="2" fill="var(--ink)" />
    </svg>
  );
}
