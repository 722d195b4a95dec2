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
          <rect width="8" height="8" fill="#fffdf8" />
          <path d="M0 0V8" stroke="#a9a392" strokeWidth="1.6" />
        </pattern>
        <pattern id="hatch-spindle" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
          <rect width="8" height="8" fill="#fffdf8" />
          <path d="M0 0V8" stroke="#8d8778" strokeWidth="1.6" />
        </pattern>
      </defs>
      <path d="M30 20H362V96H318V84H252V108H140V84H74V96H30Z" fill="url(#hatch-hub)" stroke="#1d2326" strokeWidth="2" />
      <path
        d="M10 218H386V188H334V176H308V168H252V174H140V168H84V178H10Z"
        fill="url(#hatch-spindle)"
        stroke="#1d2326"
        strokeWidth="2"
      />
      <path d="M4 218H388" stroke="#1d2326" strokeWidth="1.5" strokeDasharray="18 5 4 5" />
      {[
        { x0: 140, d: -1 },
        { x0: 252, d: 1 },
      ].map(({ x0, d }) => {
        const k = (v: number): number => x0 + d * v;
        return (
          <g key={x0} stroke="#1d2326" strokeWidth="2">
            <path d={`M${k(0)} 96V84H${k(56)}V122L${k(0)} 108Z`} fill="#e4dfd2" />
            <path d={`M${k(0)} 168V150L${k(56)} 138V168Z`} fill="#e4dfd2" />
            <path d={`M${k(8)} 113L${k(48)} 123L${k(48)} 137L${k(8)} 145Z`} fill="#fffdf8" />
          </g>
        );
      })}
      <rect x="140" y="152" width="92" height="22" fill="#cdc7b8" stroke="#1d2326" strokeWidth="2" />
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
            fill={i % 2 ? '#f6e9c4' : '#e0b03a'}
            stroke="#1d2326"
            strokeWidth="2"
          />
        );
      })}
      <path d="M308 112H332V188H308Z" fill="#cdc7b8" stroke="#1d2326" strokeWidth="2" />
      <path d="M240 146V138" stroke="#8a6414" strokeWidth="2" />
      <rect x="142" y="110" width="106" height="28" fill="#fffdf8" stroke="#8a6414" strokeWidth="1.5" />
      <text x="195" y="129" fontSize="15" fontWeight="700" textAnchor="middle" fill="#1d2326">
        pack {pack}
      </text>
      <text x="196" y="52" fontSize="15" textAnchor="middle" fill="#1d2326">
        hub
      </text>
      <text x="196" y="206" fontSize="15" textAnchor="middle" fill="#1d2326">
        spindle
      </text>
      <text x="186" y="168" fontSize="14" textAnchor="middle" fill="#1d2326">
        spacer
      </text>
      <text x="352" y="150" fontSize="15" textAnchor="middle" fill="#1d2326">
        nut
      </text>
      <path d="M150 240H246M150 240l10-5v10zM246 240l-10-5v10z" stroke="#1d2326" strokeWidth="2" fill="#1d2326" />
    </svg>
  );
}
