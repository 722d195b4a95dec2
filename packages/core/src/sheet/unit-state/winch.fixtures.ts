/** A small unit that has everything the lint knows of: a room with oil, one under pressure, a spring, a machine that runs. */
export const WINCH = `jubb: build-sheet/2
sheet: winch-small
revision: 1
title: Small winch gear
kind: gearbox
maker: Brindlow
models: [WG-1]
variants:
  short: { title: Short drum }
  long: { title: Long drum }
identify:
  - id: drum
    ask: Width of the drum
    measure: { quantity: length, gauge: rule }
    choose: [{ is: 100 mm ± 5 mm, variant: short }, { is: 150 mm ± 5 mm, variant: long }]
parts:
  cover: { title: Cover, closes: [chamber] }
  cover-bolt: { title: Cover bolt, count: 4 }
  gasket: { title: Gasket, renew: always, order: WG-10, price: 1.20, behind: [cover] }
  drain-plug: { title: Drain plug }
  lever-spring: { title: Lever spring }
  spring-nut: { title: Spring nut }
  nut: { title: Shaft nut, in: chamber }
  collar: { title: Collar, in: chamber, behind: [nut] }
  bearing: { title: Bearing, renew: judge, order: WG-11, price: 9.00, in: chamber, on: shaft, behind: [collar] }
  ring: { title: Shaft ring, renew: always, order: WG-12, price: 0.80, in: chamber, behind: [bearing], ring: { inside: 20 mm, section: 2 mm, material: NBR } }
  shaft: { title: Shaft, renew: judge, order: WG-13, price: 30.00, stays: true }
  sleeve: { title: Sleeve, order: WG-14, price: 6.00, replaces: shaft }
spaces:
  chamber: { title: Gear chamber, holds: oil, drain: drain }
  accumulator: { title: Accumulator, under: pressure, ports: [hose] }
loads:
  spring: { title: The lever spring, part: lever-spring, loaded-by: compressor, frees: [spring-joint] }
joints:
  cover-bolts: { title: Cover, fastener: cover-bolt, thread: M8, class: "8.8", clamps: [cover, gasket], tighten: [{ to: 24 N·m ± 2 N·m }], fasteners: reuse }
  drain: { title: Drain, fastener: drain-plug, thread: M14x1.5, class: "8.8", tighten: [{ to: 60 N·m ± 5 N·m }], fasteners: reuse }
  spring-joint: { title: Spring rod, fastener: spring-nut, thread: M10, class: "8.8", tighten: [{ to: 40 N·m ± 4 N·m }], fasteners: reuse }
  shaft-nut: { title: Shaft, fastener: nut, thread: M16, class: "8.8", tighten: [{ to: 120 N·m ± 10 N·m }], fasteners: reuse, threadlocker: medium }
aids:
  compressor: { title: Spring compressor, where: on the coils }
  hose-cap: { title: Hose cap, where: on the hose, on: hose }
  plate: { title: Pull plate, where: on the cover, on: cover }
leads:
  hose: { title: Pressure hose, where: at the valve, kind: hose }
marks:
  cover-clock: { title: Cover to case, between: [cover, gasket], where: top }
measures:
  spring-free: { title: Free length of the spring, part: lever-spring, quantity: length, gauge: caliper, min: 40 mm }
  ring-track:
    { title: Shaft where the ring runs, part: shaft, quantity: length, gauge: micrometer, min: 19.9 mm, outside: { offer: [sleeve, renew] } }
settings:
  float: { title: Float, kind: end-float, quantity: length, gauge: indicator, band: 0.03 mm to 0.08 mm, of: [shaft, bearing, collar], seat: { joint: shaft-nut, to: 20 N·m } }
methods:
  bearing-off:
    ask: How does the bearing come off?
    choices:
      puller: { title: Puller, why: "It comes by hand" }
      heat: { title: Heat, why: "It sits hard" }
fluids:
  oil: { title: Gear oil, grade: ISO VG 220, amount: 1 l, kind: mineral-oil }
tests:
  drip: { title: Drips when running, quantity: volume, gauge: by eye, accept: 0 ml to 1 ml, at: machine, running: true, of: [cover, ring], failed-by: [ring] }
faults:
  worn-ring: { title: Shaft ring worn, often: 5, shows: { drip: high }, cure: { ring: renew } }
  slack-float: { title: The nut has moved, often: 1, shows: { float: high, drip: high }, cure: { float: set } }
rungs:
  - id: machine
    title: Off the machine
    strip:
      - { at: machine, do: "See where it is wet" }
      - test: drip
      - { caution: { say: "Oil under pressure cuts the skin", acknowledge: true } }
      - lock-off: the isolator
      - let-down: accumulator
      - disconnect: hose
      - fit: hose-cap
      - move: bench
      - minutes: 10
    build:
      - move: machine
      - remove: hose-cap
      - reconnect: hose
      - let-run: the isolator
      - run: for a minute
      - test: drip
  - id: oil
    title: Oil
    strip:
      - undo: drain
      - off: drain-plug
      - drain: chamber
    build:
      - place: drain-plug
      - tighten: drain
      - fill: oil
  - id: spring
    title: Lever spring
    strip:
      - fit: compressor
      - undo: spring-joint
      - off: [spring-nut, lever-spring]
      - remove: compressor
    build:
      - fit: compressor
      - place: lever-spring
      - place: spring-nut
      - tighten: spring-joint
      - remove: compressor
  - id: cover
    title: Cover
    strip:
      - mark: cover-clock
      - fit: plate
      - undo: cover-bolts
      - remove: plate
      - off: [cover, cover-bolt, gasket]
    build:
      - place: gasket
      - place: cover
      - align: cover-clock
      - tighten: cover-bolts
  - id: nut
    title: Nut
    strip:
      - read: float
      - undo: shaft-nut
      - off: nut
      - choose: bearing-off
    build:
      - threadlock: nut
      - place: nut
      - set: float
      - tighten: shaft-nut
      - { cure: the threadlocker, for: 2 h }
  - id: bearing
    title: Bearing
    strip:
      - off: collar
      - { do: "Warm the inner ring", when: { method: bearing-off is heat } }
      - off: bearing
    build:
      - { heat: bearing, to: 100 °C }
      - place: bearing
      - { do: "Long drum: the collar goes chamfer out", when: { variant: long } }
      - place: collar
  - id: ring
    title: Ring
    strip:
      - off: ring
    build:
      - { press: sleeve, to: home, when: { finding: shaft is dress } }
      - { inspect: ring, ask: "Any nick?", yes: "Take another" }
      - { lubricate: ring, with: oil }
      - place: ring
  - id: look
    title: Look
    side: bottom
    ops:
      - measure: spring-free
      - measure: ring-track
      - judge: [bearing, shaft]
`;
