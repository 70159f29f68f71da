// bench/tmpall.ts
import { readFileSync } from "node:fs";
import { deflateSync } from "node:zlib";

// src/core/model/types.ts
var partsOf = (section2) => section2.parts ?? [];
var copiesOf = (section2) => section2.copies ?? [];
var isLoose = (part2) => part2.at === void 0;
var pieceCount = (part2) => isLoose(part2) ? part2.count ?? 1 : 1;
function sectionById(model2, id2) {
  const section2 = model2.sections.find((candidate) => candidate.id === id2);
  if (!section2) throw new RangeError(`no section ${id2}`);
  return section2;
}

// src/core/model/limits.ts
var LIMITS = {
  fileBytes: 64 * 1024 * 1024,
  nameLength: 200,
  notesLength: 2e4,
  sections: 2e3,
  nesting: 16,
  flatParts: 2e5,
  coordinate: 1e5,
  decals: 500,
  /** Letters of a picture's data address. */
  pictureLength: 4 * 1024 * 1024,
  /** mm: what fits on a sheet of paper. */
  decalSize: 180
};

// src/core/model/schema.ts
import Joi from "joi";

// src/core/space/vectors.ts
var IDENTITY = [1, 0, 0, 0, 1, 0, 0, 0, 1];
var add = (a, b) => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
var subtract = (a, b) => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
var scale = (a, factor) => [a[0] * factor, a[1] * factor, a[2] * factor];
var dot = (a, b) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
var cross = (a, b) => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]];
var length = (a) => Math.sqrt(dot(a, a));
var normalise = (a) => {
  const size2 = length(a);
  return size2 === 0 ? a : scale(a, 1 / size2);
};
var apply = (m, v) => [
  m[0] * v[0] + m[1] * v[1] + m[2] * v[2] + 0,
  m[3] * v[0] + m[4] * v[1] + m[5] * v[2] + 0,
  m[6] * v[0] + m[7] * v[1] + m[8] * v[2] + 0
];
function multiply(a, b) {
  const at = (row, column) => a[row * 3] * b[column] + a[row * 3 + 1] * b[column + 3] + a[row * 3 + 2] * b[column + 6] + 0;
  return [at(0, 0), at(0, 1), at(0, 2), at(1, 0), at(1, 1), at(1, 2), at(2, 0), at(2, 1), at(2, 2)];
}
var transpose = (m) => [m[0], m[3], m[6], m[1], m[4], m[7], m[2], m[5], m[8]];
var determinant = (m) => m[0] * (m[4] * m[8] - m[5] * m[7]) - m[1] * (m[3] * m[8] - m[5] * m[6]) + m[2] * (m[3] * m[7] - m[4] * m[6]);

// src/core/space/directions.ts
var PLUS_X = 0;
var MINUS_X = 1;
var PLUS_Y = 2;
var MINUS_Y = 3;
var PLUS_Z = 4;
var MINUS_Z = 5;
var DIRECTIONS = [0, 1, 2, 3, 4, 5];
var DIRECTION_TEXTS = ["+x", "-x", "+y", "-y", "+z", "-z"];
var DIRECTION_VECTORS = [
  [1, 0, 0],
  [-1, 0, 0],
  [0, 1, 0],
  [0, -1, 0],
  [0, 0, 1],
  [0, 0, -1]
];
var opposite = (direction2) => direction2 ^ 1;
var axisOf = (direction2) => direction2 >> 1;
var senseOf = (direction2) => (direction2 & 1) === 0 ? 1 : -1;
function directionOf(v) {
  const found2 = DIRECTION_VECTORS.findIndex((d) => d[0] === v[0] && d[1] === v[1] && d[2] === v[2]);
  return found2 < 0 ? void 0 : found2;
}
function directionFromText(text) {
  const found2 = DIRECTION_TEXTS.indexOf(text);
  return found2 < 0 ? void 0 : found2;
}

// src/core/space/turns.ts
var columns = (x, y, z) => [x[0], y[0], z[0], x[1], y[1], z[1], x[2], y[2], z[2]];
var TURNS = DIRECTION_VECTORS.flatMap(
  (x) => DIRECTION_VECTORS.filter((y) => x.every((value, i) => value * y[i] === 0)).map((y) => columns(x, y, cross(x, y)))
);
var NO_TURN = 0;
var TEXTS = TURNS.map((m) => {
  const text = (v) => DIRECTION_TEXTS[directionOf(v)];
  return text([m[0], m[3], m[6]]) + text([m[1], m[4], m[7]]);
});
var BY_TEXT = new Map(TEXTS.map((text, turn2) => [text, turn2]));
var turnFromText = (text) => directionFromText(text.slice(0, 2)) === void 0 ? void 0 : BY_TEXT.get(text);
var turnText = (turn2) => TEXTS[turn2];
var matrixKey = (m) => m.map((value) => value + 0).join();
var BY_MATRIX = new Map(TURNS.map((m, turn2) => [matrixKey(m), turn2]));
var turnOfMatrix = (m) => BY_MATRIX.get(matrixKey(m));
var MIRRORS = {
  x: [-1, 0, 0, 0, 1, 0, 0, 0, 1],
  y: [1, 0, 0, 0, -1, 0, 0, 0, 1],
  z: [1, 0, 0, 0, 1, 0, 0, 0, -1]
};
var mirrorMatrix = (axis) => MIRRORS[axis];
function rotationMatrix(degrees2) {
  const [x, y, z] = degrees2.map((angle2) => exactSinCos(angle2));
  const aboutX = [1, 0, 0, 0, x.cos, -x.sin, 0, x.sin, x.cos];
  const aboutY = [y.cos, 0, y.sin, 0, 1, 0, -y.sin, 0, y.cos];
  const aboutZ = [z.cos, -z.sin, 0, z.sin, z.cos, 0, 0, 0, 1];
  return multiply(aboutZ, multiply(aboutY, aboutX));
}
function exactSinCos(degrees2) {
  const turned2 = (degrees2 % 360 + 360) % 360;
  if (turned2 % 90 === 0) {
    const quarter2 = turned2 / 90;
    return { sin: [0, 1, 0, -1][quarter2], cos: [1, 0, -1, 0][quarter2] };
  }
  const angle2 = turned2 * Math.PI / 180;
  return { sin: Math.sin(angle2), cos: Math.cos(angle2) };
}

// src/core/space/boxes.ts
var boxAt = (min, size2) => ({
  min,
  max: [min[0] + size2[0], min[1] + size2[1], min[2] + size2[2]]
});
var boxesMeet = (a, b) => a.min[0] < b.max[0] && b.min[0] < a.max[0] && a.min[1] < b.max[1] && b.min[1] < a.max[1] && a.min[2] < b.max[2] && b.min[2] < a.max[2];
var unite = (a, b) => ({
  min: [Math.min(a.min[0], b.min[0]), Math.min(a.min[1], b.min[1]), Math.min(a.min[2], b.min[2])],
  max: [Math.max(a.max[0], b.max[0]), Math.max(a.max[1], b.max[1]), Math.max(a.max[2], b.max[2])]
});
var middle = (box) => [(box.min[0] + box.max[0]) / 2, (box.min[1] + box.max[1]) / 2, (box.min[2] + box.max[2]) / 2];
var sizeOf = (box) => [box.max[0] - box.min[0], box.max[1] - box.min[1], box.max[2] - box.min[2]];
var cornersOf = (box) => [0, 1, 2, 3, 4, 5, 6, 7].map((corner4) => [
  (corner4 & 1) === 0 ? box.min[0] : box.max[0],
  (corner4 & 2) === 0 ? box.min[1] : box.max[1],
  (corner4 & 4) === 0 ? box.min[2] : box.max[2]
]);
function posedBox(pose, box) {
  const centre = apply(pose.matrix, middle(box));
  const half = sizeOf(box).map((side) => side / 2);
  const m = pose.matrix;
  const reach2 = [0, 3, 6].map((row) => Math.abs(m[row]) * half[0] + Math.abs(m[row + 1]) * half[1] + Math.abs(m[row + 2]) * half[2]);
  const low = centre.map((value, i) => value + pose.at[i] - reach2[i]);
  const high = centre.map((value, i) => value + pose.at[i] + reach2[i]);
  return { min: low, max: high };
}

// src/core/space/poses.ts
var FREE_TOLERANCE = 0.2;
var posed = (pose, point2) => add(apply(pose.matrix, point2), pose.at);
var composePoses = (outer, inner) => ({
  matrix: multiply(outer.matrix, inner.matrix),
  at: posed(outer, inner.at)
});
var isLatticePose = (pose) => pose.at.every(Number.isInteger) && pose.matrix.every((value) => value === 0 || value === 1 || value === -1);
var isMirroring = (pose) => determinant(pose.matrix) < 0;

// src/core/space/units.ts
var MM_PER_U = 0.8;
var STUD_PITCH = 10;
var PLATE_HEIGHT = 4;
var BRICK_HEIGHT = 12;
var STUD_WIDTH = 6;
var STUD_HEIGHT = 2;
var WALL_THICKNESS = 2;

// src/core/space/oriented.ts
function orientedBox(pose, box) {
  const size2 = sizeOf(box);
  const m = pose.matrix;
  return {
    centre: posed(pose, middle(box)),
    halves: [0, 1, 2].map((i) => scale([m[i], m[i + 3], m[i + 6]], size2[i] / 2))
  };
}
function sweptMeets(moving, standing, travel) {
  const edges = [...moving.halves, ...standing.halves];
  const travels = length(travel) > 0;
  if (travels) edges.push(travel);
  const half = scale(travel, 0.5);
  const between = subtract(subtract(standing.centre, moving.centre), half);
  for (let i = 0; i < edges.length; i++) {
    for (let j = i + 1; j < edges.length; j++) {
      const normal = cross(edges[i], edges[j]);
      const size2 = length(normal);
      if (size2 < 1e-9) continue;
      let reach2 = travels ? Math.abs(dot(half, normal)) : 0;
      for (const edge of moving.halves) reach2 += Math.abs(dot(edge, normal));
      for (const edge of standing.halves) reach2 += Math.abs(dot(edge, normal));
      if (Math.abs(dot(between, normal)) >= reach2 - FREE_TOLERANCE * size2) return false;
    }
  }
  return true;
}

// src/core/space/flat.ts
function leftOf(polygon, a, b) {
  const side = ([u, v]) => (b[0] - a[0]) * (v - a[1]) - (b[1] - a[1]) * (u - a[0]);
  return keep(polygon, side);
}
function keep(polygon, side) {
  const kept = [];
  for (let i = 0; i < polygon.length; i++) {
    const here = polygon[i];
    const next = polygon[(i + 1) % polygon.length];
    const [mine, theirs] = [side(here), side(next)];
    if (mine >= 0) kept.push(here);
    if (mine < 0 !== theirs < 0 && mine !== theirs) {
      const share2 = mine / (mine - theirs);
      kept.push([here[0] + (next[0] - here[0]) * share2, here[1] + (next[1] - here[1]) * share2]);
    }
  }
  return kept;
}
function common(polygon, other) {
  let left = [...polygon];
  for (let i = 0; i < other.length && left.length > 0; i++) left = leftOf(left, other[i], other[(i + 1) % other.length]);
  return left;
}
function outsideOf(polygon, other) {
  const pieces = [];
  let left = [...polygon];
  for (let i = 0; i < other.length && left.length > 0; i++) {
    const [a, b] = [other[i], other[(i + 1) % other.length]];
    const piece = leftOf(left, b, a);
    if (areaOf(piece) > 0) pieces.push(piece);
    left = leftOf(left, a, b);
  }
  return pieces;
}
function signedAreaOf(polygon) {
  let sum = 0;
  for (let i = 0; i < polygon.length; i++) {
    const [a, b] = [polygon[i], polygon[(i + 1) % polygon.length]];
    sum += a[0] * b[1] - b[0] * a[1];
  }
  return sum / 2;
}
var areaOf = (polygon) => Math.abs(signedAreaOf(polygon));

// src/core/model/schema.ts
var turn = Joi.string().custom((value, helpers) => turnFromText(value) === void 0 ? helpers.error("turn.unknown") : value);
var coordinate = Joi.number().min(-LIMITS.coordinate).max(LIMITS.coordinate);
var lattice = Joi.array().items(coordinate.integer()).length(3);
var free = Joi.array().items(coordinate).length(3);
var id = Joi.string().min(1).max(LIMITS.nameLength);
var name = Joi.string().min(1).max(LIMITS.nameLength);
var notes = Joi.string().allow("").max(LIMITS.notesLength);
var hex = Joi.string().pattern(/^#[0-9a-fA-F]{6}$/);
var onPicture = (schema) => schema.when("kind", { not: Joi.valid("decal", "print"), then: Joi.forbidden() });
var workSchema = Joi.object({
  kind: Joi.valid("cut", "paint", "print", "decal", "glue", "erase", "custom").required(),
  note: notes,
  decal: onPicture(id),
  face: onPicture(Joi.valid("front", "back", "left", "right", "top", "bottom", "slope")),
  at: onPicture(Joi.array().items(Joi.number().min(-1e3).max(1e3)).length(2)),
  turn: onPicture(Joi.valid(0, 90, 180, 270))
}).and("decal", "face");
var part = Joi.object({
  id: id.required(),
  shape: Joi.string().required(),
  colour: Joi.string().required(),
  at: lattice,
  turn,
  count: Joi.number().integer().min(0).max(LIMITS.flatParts).when("at", { is: Joi.exist(), then: Joi.valid(1) }),
  length: Joi.number().greater(0).max(LIMITS.coordinate),
  work: Joi.array().items(workSchema),
  showsColour: Joi.boolean()
});
var KINDS = [
  "stud",
  "socket",
  "mouth",
  "bar",
  "clip",
  "pin",
  "axle",
  "hose",
  "hole",
  "cross",
  "ball",
  "cup",
  "tongue",
  "fork",
  "post",
  "ring"
];
var direction = Joi.valid("+x", "-x", "+y", "-y", "+z", "-z");
var jointEnd = Joi.object({
  part: Joi.string().required(),
  kind: Joi.valid(...KINDS).required(),
  number: Joi.number().integer().min(1)
});
var copy = Joi.object({
  id: id.required(),
  section: Joi.string().required(),
  at: Joi.when("joint", {
    is: Joi.exist(),
    then: Joi.forbidden(),
    otherwise: Joi.when("rotate", { is: Joi.exist(), then: free.required(), otherwise: lattice.required() })
  }),
  turn,
  rotate: Joi.array().items(Joi.number()).length(3),
  mirror: Joi.valid("x", "y", "z"),
  joint: Joi.object({
    on: jointEnd.required(),
    by: jointEnd.required(),
    angles: Joi.array().items(Joi.number().min(-360).max(360)).max(3),
    slide: coordinate
  })
}).oxor("turn", "rotate", "joint");
var step = Joi.object({
  add: Joi.array().items(Joi.string()),
  join: Joi.array().items(Joi.string()),
  turn,
  note: notes,
  caution: notes,
  photo: Joi.string().max(LIMITS.fileBytes),
  locked: Joi.boolean()
});
var section = Joi.object({
  id: id.required(),
  name: name.required(),
  parts: Joi.array().items(part),
  copies: Joi.array().items(copy),
  steps: Joi.array().items(step),
  planRest: Joi.boolean(),
  places: Joi.array().items(Joi.object({ name: name.required(), part: Joi.string().required() }))
}).with("planRest", "steps");
var colour = Joi.object({
  id: id.required(),
  name: name.required(),
  hex: hex.required(),
  finish: Joi.valid("solid", "clear", "metal", "glow").default("solid")
});
var size = Joi.array().items(Joi.number().integer().min(1).max(LIMITS.coordinate)).length(3);
var corner = Joi.array().items(Joi.number().integer().min(0).max(LIMITS.coordinate)).length(3);
var ownShape = Joi.object({
  id: id.required(),
  name: name.required(),
  boxes: Joi.array().items(Joi.object({ at: corner.required(), size: size.required() })).min(1).required(),
  connectors: Joi.array().items(
    Joi.object({
      kind: Joi.valid(...KINDS).required(),
      at: lattice.required(),
      facing: direction.required(),
      length: Joi.number().integer().min(1).max(LIMITS.coordinate).when("kind", {
        is: Joi.valid("bar", "axle", "hose"),
        then: Joi.required(),
        otherwise: Joi.forbidden()
      }),
      along: direction.when("kind", { is: Joi.valid("clip", "fork", "tongue"), then: Joi.required(), otherwise: Joi.forbidden() })
    })
  )
});
var option = Joi.object({
  shape: Joi.string().required(),
  colour: Joi.string().required(),
  closeness: Joi.number().integer().min(1).max(5),
  note: notes,
  donor: Joi.string().allow("").max(LIMITS.nameLength),
  price: Joi.number().min(0)
});
var slot = Joi.object({ chosen: Joi.number().integer().min(0), options: Joi.array().items(option).min(1).max(50).required() });
var angle = Joi.number().min(-360).max(360);
var SLOTS = ["legs", "legLeft", "legRight", "torso", "armLeft", "armRight", "handLeft", "handRight", "head", "headwear", "neck", "back", "heldLeft", "heldRight"];
var figure = Joi.object({
  id: id.required(),
  name: name.required(),
  section: id.required(),
  slots: Joi.object(Object.fromEntries(SLOTS.map((each) => [each, slot]))).required(),
  pose: Joi.object({ head: angle, armLeft: angle, armRight: angle, handLeft: angle, handRight: angle, legLeft: angle, legRight: angle })
});
var decal = Joi.object({
  id: id.required(),
  name: name.required(),
  picture: Joi.string().max(LIMITS.pictureLength).required(),
  size: Joi.array().items(Joi.number().greater(0).max(LIMITS.decalSize)).length(2).required()
});
var modelSchema = Joi.object({
  format: Joi.valid("jump-rail-model").required(),
  version: Joi.valid(1).required(),
  name: name.required(),
  designer: Joi.string().allow("").max(LIMITS.nameLength),
  notes,
  root: Joi.string().required(),
  sections: Joi.array().items(section).min(1).max(LIMITS.sections).required(),
  palette: Joi.array().items(colour),
  shapes: Joi.array().items(ownShape),
  variants: Joi.array().items(Joi.any()),
  figures: Joi.array().items(figure).max(200),
  decals: Joi.array().items(decal).max(LIMITS.decals)
});

// src/core/catalogue/holds.ts
var HOLD = { stud: 0, clip: 1, hole: 2, cross: 3, ball: 4, hinge: 5, post: 6 };
var HOLD_WORDS = [
  ["stud", "studs"],
  ["clip", "clips"],
  ["hole", "holes"],
  ["axle hole", "axle holes"],
  ["ball", "balls"],
  ["hinge", "hinges"],
  ["post", "posts"]
];
var GIVES = {
  stud: [HOLD.stud],
  bar: [HOLD.clip],
  pin: [HOLD.hole],
  axle: [HOLD.hole, HOLD.cross],
  hose: [HOLD.hole],
  ball: [HOLD.ball],
  tongue: [HOLD.hinge],
  post: [HOLD.post]
};
var RECEIVES = {
  socket: HOLD.stud,
  mouth: HOLD.stud,
  clip: HOLD.clip,
  hole: HOLD.hole,
  cross: HOLD.cross,
  cup: HOLD.ball,
  fork: HOLD.hinge,
  ring: HOLD.post
};
var givenHolds = (kind) => GIVES[kind] ?? [];
var receivedHold = (kind) => RECEIVES[kind];
var AGREEMENT = ["facing", "axis", "axis", "axis", "none", "axis", "facing"];
var mainWay = ({ facing, along }) => along ?? facing;
function axesLet({ kind, facing, along }) {
  return kind === "clip" ? [axisOf(facing), axisOf(along)] : [axisOf(facing)];
}
var gripCount = ({ length: length2 = 0 }) => length2 + 1;

// src/core/catalogue/mass.ts
var DENSITY = 1.05;
var WALL = 1.5;
var ROOF = 1.2;
var STUD_RADIUS = 2.4;
var known = /* @__PURE__ */ new WeakMap();
function massOf(shape) {
  let mass = known.get(shape);
  if (mass === void 0) known.set(shape, mass = wallVolume(shape) * (DENSITY / 1e3));
  return mass;
}
function wallVolume(shape) {
  const isHollow = shape.connectors.some((connector) => connector.kind === "socket");
  const bodies = shape.bodies.reduce((sum, { min, max }) => {
    const [x, y, z] = [0, 1, 2].map((i) => (max[i] - min[i]) * MM_PER_U);
    const hollow = isHollow ? Math.max(0, x - 2 * WALL) * Math.max(0, y - 2 * WALL) * Math.max(0, z - ROOF) : 0;
    return sum + x * y * z - hollow;
  }, 0);
  const studs = shape.connectors.filter((connector) => connector.kind === "stud").length;
  return bodies + studs * Math.PI * STUD_RADIUS ** 2 * STUD_HEIGHT * MM_PER_U;
}

// src/core/catalogue/colour-difference.ts
var WHITE = [0.95047, 1, 1.08883];
function labOf(hex3) {
  const [r, g, b] = [1, 3, 5].map((at) => linear(Number.parseInt(hex3.slice(at, at + 2), 16) / 255));
  const x = cubeRoot((0.4124564 * r + 0.3575761 * g + 0.1804375 * b) / WHITE[0]);
  const y = cubeRoot((0.2126729 * r + 0.7151522 * g + 0.072175 * b) / WHITE[1]);
  const z = cubeRoot((0.0193339 * r + 0.119192 * g + 0.9503041 * b) / WHITE[2]);
  return [116 * y - 16, 500 * (x - y), 200 * (y - z)];
}
var linear = (share2) => share2 <= 0.04045 ? share2 / 12.92 : ((share2 + 0.055) / 1.055) ** 2.4;
var cubeRoot = (t) => t > 216 / 24389 ? Math.cbrt(t) : (24389 / 27 * t + 16) / 116;
var degrees = (radians) => (radians * 180 / Math.PI + 360) % 360;
var cosine = (angle2) => Math.cos(angle2 * Math.PI / 180);
var sine = (angle2) => Math.sin(angle2 * Math.PI / 180);
var TO_THE_7 = 25 ** 7;
function colourDifference([l1, a1, b1], [l2, a2, b2]) {
  const meanChroma = (Math.hypot(a1, b1) + Math.hypot(a2, b2)) / 2;
  const stretch2 = 1.5 - 0.5 * Math.sqrt(meanChroma ** 7 / (meanChroma ** 7 + TO_THE_7));
  const c1 = Math.hypot(a1 * stretch2, b1);
  const c2 = Math.hypot(a2 * stretch2, b2);
  const h1 = c1 === 0 ? 0 : degrees(Math.atan2(b1, a1 * stretch2));
  const h2 = c2 === 0 ? 0 : degrees(Math.atan2(b2, a2 * stretch2));
  const lightness = l2 - l1;
  const chroma = c2 - c1;
  const isGrey = c1 * c2 === 0;
  const turn2 = isGrey ? 0 : shortTurn(h2 - h1);
  const hue = 2 * Math.sqrt(c1 * c2) * sine(turn2 / 2);
  const meanL = (l1 + l2) / 2;
  const meanC = (c1 + c2) / 2;
  const meanH = isGrey ? h1 + h2 : meanHue(h1, h2);
  const t = 1 - 0.17 * cosine(meanH - 30) + 0.24 * cosine(2 * meanH) + 0.32 * cosine(3 * meanH + 6) - 0.2 * cosine(4 * meanH - 63);
  const weightL = 1 + 0.015 * (meanL - 50) ** 2 / Math.sqrt(20 + (meanL - 50) ** 2);
  const weightC = 1 + 0.045 * meanC;
  const weightH = 1 + 0.015 * meanC * t;
  const bend = 30 * Math.exp(-(((meanH - 275) / 25) ** 2));
  const tie = -2 * Math.sqrt(meanC ** 7 / (meanC ** 7 + TO_THE_7)) * sine(2 * bend);
  const [dl, dc, dh] = [lightness / weightL, chroma / weightC, hue / weightH];
  return Math.sqrt(dl * dl + dc * dc + dh * dh + tie * dc * dh);
}
var shortTurn = (turn2) => turn2 > 180 ? turn2 - 360 : turn2 < -180 ? turn2 + 360 : turn2;
function meanHue(h1, h2) {
  if (Math.abs(h1 - h2) <= 180) return (h1 + h2) / 2;
  return h1 + h2 < 360 ? (h1 + h2 + 360) / 2 : (h1 + h2 - 360) / 2;
}

// src/core/catalogue/colour-vision.ts
var DEFICIENCIES = {
  red: [0.152286, 1.052583, -0.204868, 0.114503, 0.786281, 0.099216, -3882e-6, -0.048116, 1.051998],
  green: [0.367322, 0.860646, -0.227968, 0.280085, 0.672501, 0.047413, -0.01182, 0.04294, 0.968881],
  blue: [1.255528, -0.076749, -0.178779, -0.078411, 0.930809, 0.147602, 4733e-6, 0.691367, 0.3039]
};
var ALIKE = 7;
var ALIKE_WITHOUT_CONE = 4;
function seenWithout(cone2, hex3) {
  const m = DEFICIENCIES[cone2];
  const light = [1, 3, 5].map((at) => (Number.parseInt(hex3.slice(at, at + 2), 16) / 255) ** 2.2);
  const seen2 = [0, 3, 6].map((row) => light.reduce((sum, value, k) => sum + m[row + k] * value, 0));
  const byte = (value) => Math.round(255 * Math.max(0, Math.min(1, value)) ** (1 / 2.2)).toString(16).padStart(2, "0");
  return `#${seen2.map(byte).join("")}`;
}
function alikeFor(one, other) {
  const key = one < other ? `${one} ${other}` : `${other} ${one}`;
  let alike = known2.get(key);
  if (!alike) known2.set(key, alike = findAlike(one, other));
  return alike;
}
var known2 = /* @__PURE__ */ new Map();
function findAlike(one, other) {
  const difference = (a, b) => colourDifference(labOf(a), labOf(b));
  if (difference(one, other) < ALIKE) return "all";
  const isAlike = (cone2) => difference(seenWithout(cone2, one), seenWithout(cone2, other)) < ALIKE_WITHOUT_CONE;
  return ["red", "green", "blue"].some(isAlike) ? "some" : "none";
}

// src/core/catalogue/polygon.ts
var rectangle = (left, low, right, high) => ({ min: [left, low], max: [right, high] });
var cornersOf2 = ({ min, max }) => [
  [min[0], min[1]],
  [max[0], min[1]],
  [max[0], max[1]],
  [min[0], max[1]]
];
function circle([u, v], radius, sides2, start = 0) {
  return Array.from({ length: sides2 }, (_, i) => {
    const angle2 = start + 2 * Math.PI * i / sides2;
    return [u + radius * Math.cos(angle2), v + radius * Math.sin(angle2)];
  });
}
function arc([u, v], radius, from, to, pieces) {
  return Array.from({ length: pieces + 1 }, (_, i) => {
    const angle2 = (from + (to - from) * i / pieces) * Math.PI / 180;
    return [u + radius * Math.cos(angle2), v + radius * Math.sin(angle2)];
  });
}
var signedArea = (polygon) => polygon.reduce((sum, [u, v], i) => {
  const [nextU, nextV] = polygon[(i + 1) % polygon.length];
  return sum + (u * nextV - nextU * v) / 2;
}, 0);
var anticlockwise = (polygon) => signedArea(polygon) < 0 ? [...polygon].reverse() : polygon;
var turnAt = (a, b, c) => (b[0] - a[0]) * (c[1] - b[1]) - (b[1] - a[1]) * (c[0] - b[0]);
function convexPieces(outline) {
  const polygon = [...anticlockwise(outline)];
  const isConvex = polygon.every((b, i) => turnAt(polygon.at(i - 1), b, polygon[(i + 1) % polygon.length]) >= -1e-9);
  if (isConvex) return [polygon];
  const pieces = [];
  while (polygon.length > 3) {
    const ear = polygon.findIndex((_, i) => isEar(polygon, i));
    if (ear < 0) break;
    pieces.push([polygon.at(ear - 1), polygon[ear], polygon[(ear + 1) % polygon.length]]);
    polygon.splice(ear, 1);
  }
  pieces.push(polygon);
  return pieces;
}
function isEar(polygon, i) {
  const [a, b, c] = [polygon.at(i - 1), polygon[i], polygon[(i + 1) % polygon.length]];
  if (turnAt(a, b, c) <= 1e-9) return false;
  return polygon.every((p) => p === a || p === b || p === c || !isInside(p, a, b, c));
}
var isInside = (p, a, b, c) => turnAt(a, b, p) >= -1e-9 && turnAt(b, c, p) >= -1e-9 && turnAt(c, a, p) >= -1e-9;
function aroundHole(outside, hole) {
  const middle2 = [hole.reduce((sum, p) => sum + p[0], 0) / hole.length, hole.reduce((sum, p) => sum + p[1], 0) / hole.length];
  const angleOf = ([u, v]) => Math.atan2(v - middle2[1], u - middle2[0]);
  const angles = [...hole, ...outside].map(angleOf).sort((a, b) => a - b);
  const rays = angles.filter((angle2, i) => i === 0 || angle2 - angles[i - 1] > 1e-6);
  return rays.map((angle2, i) => {
    const next = rays[(i + 1) % rays.length];
    return [alongRay(middle2, angle2, outside), alongRay(middle2, next, outside), alongRay(middle2, next, hole), alongRay(middle2, angle2, hole)];
  });
}
function alongRay(from, angle2, polygon) {
  const way = [Math.cos(angle2), Math.sin(angle2)];
  let far = Infinity;
  polygon.forEach((a, i) => {
    const b = polygon[(i + 1) % polygon.length];
    const edge = [b[0] - a[0], b[1] - a[1]];
    const across = way[0] * edge[1] - way[1] * edge[0];
    if (Math.abs(across) < 1e-12) return;
    const reach2 = ((a[0] - from[0]) * edge[1] - (a[1] - from[1]) * edge[0]) / across;
    if (reach2 > 0) far = Math.min(far, reach2);
  });
  return [from[0] + far * way[0], from[1] + far * way[1]];
}

// src/core/catalogue/mesh.ts
var MeshBuilder = class {
  facets = [];
  surfaces = 0;
  get mesh() {
    return this.facets;
  }
  surface() {
    return this.surfaces++;
  }
  facet(corners, surface) {
    const normal = normalise(cross(subtract(corners[1], corners[0]), subtract(corners[2], corners[1])));
    this.facets.push({ corners, normal, surface });
  }
  /** A straight solid: the outline polygons of its floor (convex, anticlockwise seen against `rise`), drawn along `rise`. */
  prism(floors, outline, rise, smooth = []) {
    const floor = this.surface();
    const roof = this.surface();
    for (const piece of floors) {
      this.facet([...piece].reverse(), floor);
      this.facet(
        piece.map((corner4) => add(corner4, rise)),
        roof
      );
    }
    let side = this.surface();
    outline.forEach((corner4, i) => {
      if (!smooth.includes(i)) side = this.surface();
      const next = outline[(i + 1) % outline.length];
      this.facet([corner4, next, add(next, rise), add(corner4, rise)], side);
    });
    return this;
  }
  box(box) {
    const { min, max } = box;
    const floor = [
      [min[0], min[1], min[2]],
      [max[0], min[1], min[2]],
      [max[0], max[1], min[2]],
      [min[0], max[1], min[2]]
    ];
    return this.prism([floor], floor, [0, 0, max[2] - min[2]]);
  }
  /** A solid whose profile lies in the y–z plane and which runs along x for `width`. Profile anticlockwise seen from +x. */
  profile(points, width, smooth = []) {
    const outline = points.map(([y, z]) => [0, y, z]);
    return this.prism([outline], outline, [width, 0, 0], smooth);
  }
  /** A disc or a cone stump standing along `axis` ("x", "y" or "z" with a sense) from `foot`. */
  round(foot, axis, bottomRadius, topRadius, height, sides2) {
    const [u, v] = acrossOf(axis);
    const ring = (radius, rise) => Array.from({ length: sides2 }, (_, i) => {
      const angle2 = 2 * Math.PI * i / sides2;
      const along = (k) => foot[k] + axis[k] * rise + radius * (Math.cos(angle2) * u[k] + Math.sin(angle2) * v[k]);
      return [along(0), along(1), along(2)];
    });
    const bottom = ring(bottomRadius, 0);
    const top = ring(topRadius, height);
    this.facet([...bottom].reverse(), this.surface());
    this.facet(top, this.surface());
    const side = this.surface();
    bottom.forEach((corner4, i) => {
      const next = (i + 1) % sides2;
      this.facet([corner4, bottom[next], top[next], top[i]], side);
    });
    return this;
  }
  /**
   * A polygon in the plane across an axis, drawn along it. Points are [y, z] across x, [x, z] across y, [x, y] across z.
   *
   * @param smooth the whole wall is one surface to the eye
   */
  extrude(outline, axis, from, to, smooth = false) {
    const place = placer(axis, from);
    const rise = riseOf(axis, to - from);
    const floors = convexPieces(outline).map((piece) => piece.map(place));
    const around = anticlockwise(outline).map(place);
    const fix = (points) => axis === 1 ? [...points].reverse() : points;
    return this.prism(floors.map(fix), fix(around), rise, smooth ? around.map((_, i) => i).slice(1) : []);
  }
  /** The same for a convex polygon with holes: convex `cells` cut it up, each with its hole or none. */
  perforated(whole, cells, axis, from, to) {
    const place = placer(axis, from);
    const rise = riseOf(axis, to - from);
    const fix = (points) => axis === 1 ? [...points].reverse() : points;
    const floors = cells.flatMap(({ cell, hole }) => hole ? aroundHole(cell, anticlockwise(hole)) : [cell]);
    this.prism(
      floors.map((piece) => fix(piece.map(place))),
      fix(whole.map(place)),
      rise
    );
    for (const { hole } of cells) if (hole) this.wall(fix(anticlockwise(hole).map(place)).reverse(), rise);
    return this;
  }
  /** The inside of a hole: quads along `rise`, one surface to the eye. */
  wall(outline, rise) {
    const side = this.surface();
    outline.forEach((corner4, i) => {
      const next = outline[(i + 1) % outline.length];
      this.facet([corner4, next, add(next, rise), add(corner4, rise)], side);
    });
  }
  /** A solid of revolution: radius and height of each ring above `foot` along `axis`; a radius of 0 is a tip. */
  lathe(foot, axis, rings, sides2) {
    const [u, v] = acrossOf(axis);
    const at = ([radius, height]) => Array.from({ length: sides2 }, (_, i) => {
      const angle2 = 2 * Math.PI * i / sides2;
      return [0, 1, 2].map(
        (k) => foot[k] + axis[k] * height + radius * (Math.cos(angle2) * u[k] + Math.sin(angle2) * v[k])
      );
    });
    const circles = rings.map(at);
    if (rings[0][0] > 0) this.facet([...circles[0]].reverse(), this.surface());
    if (rings.at(-1)[0] > 0) this.facet(circles.at(-1), this.surface());
    for (let ring = 0; ring + 1 < rings.length; ring++) {
      const [low, high] = [circles[ring], circles[ring + 1]];
      const isFlat = rings[ring][1] === rings[ring + 1][1];
      const surface = ring > 0 && !isFlat && rings[ring - 1][1] !== rings[ring][1] ? this.surfaces - 1 : this.surface();
      for (let i = 0; i < sides2; i++) {
        const next = (i + 1) % sides2;
        const corners = [low[i], ...rings[ring][0] > 0 ? [low[next]] : [], ...rings[ring + 1][0] > 0 ? [high[next]] : [], high[i]];
        if (corners.length > 2) this.facet(corners, surface);
      }
    }
    return this;
  }
  /** A ring standing along `axis` from `foot`. */
  tube(foot, axis, outer, inner, height, sides2) {
    const rings = [
      [inner, 0],
      [outer, 0],
      [outer, height],
      [inner, height]
    ];
    const [u, v] = acrossOf(axis);
    const at = (radius, rise, i) => {
      const angle2 = 2 * Math.PI * i / sides2;
      return [0, 1, 2].map(
        (k) => foot[k] + axis[k] * rise + radius * (Math.cos(angle2) * u[k] + Math.sin(angle2) * v[k])
      );
    };
    rings.forEach(([radius, rise], ring) => {
      const [nextRadius, nextRise] = rings[(ring + 1) % rings.length];
      const surface = this.surface();
      for (let i = 0; i < sides2; i++) {
        this.facet([at(radius, rise, i), at(radius, rise, i + 1), at(nextRadius, nextRise, i + 1), at(nextRadius, nextRise, i)], surface);
      }
    });
    return this;
  }
};
function placer(axis, along) {
  if (axis === 0) return ([y, z]) => [along, y, z];
  return axis === 1 ? ([x, z]) => [x, along, z] : ([x, y]) => [x, y, along];
}
var riseOf = (axis, by) => [axis === 0 ? by : 0, axis === 1 ? by : 0, axis === 2 ? by : 0];
function acrossOf(axis) {
  const u = Math.abs(axis[2]) === 1 ? [1, 0, 0] : [0, 0, 1];
  return [u, cross(axis, u)];
}

// src/core/catalogue/make.ts
var LEFT_RIGHT = [-1, 0, 0, 0, 1, 0, 0, 0, 1];
var CORNER_DIAGONAL = [0, -1, 0, -1, 0, 0, 0, 0, 1];
function makeShape(recipe) {
  const bodies = recipe.bodies ?? [boxAt([0, 0, 0], recipe.box)];
  let mesh;
  let plainMesh;
  return {
    id: recipe.id,
    family: recipe.family,
    title: recipe.title,
    box: recipe.box,
    bodies,
    connectors: recipe.connectors,
    mirror: {
      twin: recipe.twin === void 0 ? recipe.id : recipe.twin,
      reflection: recipe.reflection ?? LEFT_RIGHT
    },
    get mesh() {
      mesh ??= buildMesh(recipe, bodies, true);
      return mesh;
    },
    get plainMesh() {
      plainMesh ??= buildMesh(recipe, bodies, false);
      return plainMesh;
    }
  };
}
var STUD_SIDES = 18;
var STUD_RADIUS2 = 2.85;
function buildMesh(recipe, bodies, withStuds) {
  const builder = new MeshBuilder();
  if (recipe.outline) recipe.outline(builder);
  else for (const body of bodies) builder.box(body);
  for (const connector of recipe.connectors) {
    if (!withStuds || connector.kind !== "stud") continue;
    const axis = DIRECTION_VECTORS[connector.facing];
    builder.round(connector.at, axis, STUD_RADIUS2, STUD_RADIUS2, STUD_HEIGHT, STUD_SIDES);
  }
  return builder.mesh;
}
function cellMiddles(columns2, rows2) {
  const cells = [];
  for (let row = 0; row < rows2; row++)
    for (let column = 0; column < columns2; column++) cells.push([column * STUD_PITCH + 5, row * STUD_PITCH + 5]);
  return cells;
}
var studsAt = (cells, height) => cells.map(([x, y]) => ({ kind: "stud", at: [x, y, height], facing: PLUS_Z }));
var socketsAt = (cells) => cells.map(([x, y]) => ({ kind: "socket", at: [x, y, 0], facing: MINUS_Z }));
var sideStud = (at, facing) => ({ kind: "stud", at, facing });
function parseSize(size2) {
  const [small, large] = size2.split("x").map(Number);
  return [small, large];
}
var sizeTitle = (size2) => size2.replace("x", " \xD7 ");

// src/core/catalogue/solids.ts
var block = (x, y, z, width, depth, height) => boxAt([x, y, z], [width, depth, height]);
var round = (box) => ({ ...box, round: true });
function without(box, hole) {
  const isApart = [0, 1, 2].some((i) => hole.min[i] >= box.max[i] || hole.max[i] <= box.min[i]);
  if (isApart) return [box];
  const left = [];
  const min = [...box.min];
  const max = [...box.max];
  for (const axis of [2, 0, 1]) {
    if (hole.min[axis] > min[axis]) left.push({ min: [...min], max: withCoordinate(max, axis, hole.min[axis]) });
    if (hole.max[axis] < max[axis]) left.push({ min: withCoordinate(min, axis, hole.max[axis]), max: [...max] });
    min[axis] = Math.max(min[axis], hole.min[axis]);
    max[axis] = Math.min(max[axis], hole.max[axis]);
  }
  return left;
}
function withCoordinate(v, axis, value) {
  const next = [...v];
  next[axis] = value;
  return next;
}
var carved = (box, holes) => holes.reduce((boxes, hole) => boxes.flatMap((each) => without(each, hole)), [box]);
function holesInRow(whole, middles, radius, half, sides2 = 16) {
  const cells = [];
  const [low, high] = [whole.min[1], whole.max[1]];
  let left = whole.min[0];
  for (const middle2 of middles) {
    if (middle2[0] - half > left) cells.push({ cell: cornersOf2(rectangle(left, low, middle2[0] - half, high)) });
    cells.push({ cell: cornersOf2(rectangle(middle2[0] - half, low, middle2[0] + half, high)), hole: circle(middle2, radius, sides2) });
    left = middle2[0] + half;
  }
  if (left < whole.max[0]) cells.push({ cell: cornersOf2(rectangle(left, low, whole.max[0], high)) });
  return cells;
}

// src/core/catalogue/families/lengths.ts
var X = [1, 0, 0];
var USUAL_LENGTH = 50;
function tube(long, id2 = "tube") {
  return makeShape({
    id: id2,
    family: "by length",
    title: "Tube",
    box: [long, 6, 6],
    bodies: [{ ...block(0, 0, 0, long, 6, 6), round: true }],
    connectors: [{ kind: "hose", at: [0, 3, 3], facing: PLUS_X, length: long }],
    outline: (builder) => builder.tube([0, 3, 3], X, 2.9, 1.6, long, 16)
  });
}
function cord(long, id2 = "cord") {
  return makeShape({
    id: id2,
    family: "by length",
    title: "Cord",
    box: [long, 2, 2],
    bodies: [{ ...block(0, 0, 0, long, 2, 2), round: true }],
    connectors: [{ kind: "hose", at: [0, 1, 1], facing: PLUS_X, length: long }],
    outline: (builder) => {
      for (let x = 0; x < long; x += 5)
        builder.lathe(
          [x, 1, 1],
          X,
          [
            [0.7, 0],
            [1, 1],
            [1, Math.min(5, long - x) - 1],
            [0.7, Math.min(5, long - x)]
          ],
          8
        );
    }
  });
}
function band(long, id2 = "band") {
  const width = Math.max(8, Math.round(long / 2));
  return makeShape({
    id: id2,
    family: "by length",
    title: "Band",
    box: [width, 8, 2],
    bodies: carved(block(0, 0, 0, width, 8, 2), width > 2 ? [block(1, 1, 0, width - 2, 6, 2)] : []),
    connectors: [],
    outline: (builder) => {
      const around = (radius) => [...arc([width - 4, 4], radius, -90, 90, 8), ...arc([4, 4], radius, 90, 270, 8)];
      const [outer, inner] = [around(4), around(3)];
      outer.forEach((point2, i) => {
        const j = (i + 1) % outer.length;
        builder.extrude([point2, outer[j], inner[j], inner[i]], 2, 0, 2, true);
      });
    }
  });
}
var BY_LENGTH = { tube, cord, band };
var isByLength = (id2) => id2 in BY_LENGTH;
var cutToLength = (id2, long) => BY_LENGTH[id2](long);
var lengthShapes = () => [tube(USUAL_LENGTH), cord(USUAL_LENGTH), band(USUAL_LENGTH)];

// src/core/catalogue/registry.ts
import { distance } from "fastest-levenshtein";

// src/core/catalogue/colours.ts
var SOLID = `white f6f4ee, ivory efe6cf, sand dcc79c, straw e9d886, yellow f4cb2f, amber eda02a, orange e4762a, rust ad5126,
  red c6302f, wine 7b2538, peach f3b898, pink eeb0c0, rose d9678a, violet 8d6bb5, plum 5c3a66, navy 24375f, blue 2f66b3,
  sky 86bbe0, aqua 9cd6d2, teal 1f7f86, mint b3dcc0, lime b7cf3e, green 3e9a50, forest 21603c, olive 7f7f3a, moss 98a86a,
  brown 7d5a3a, cocoa 543a2b, tan bb9468, ash a9aba8, slate 676d72, black 26282b`;
var METAL = "silver b9bec2, gold c39b3c, copper b06c45";
var CLEAR = `clear e6eef0, clear-sky b9dcee, clear-blue 5c93d4, clear-green 7cc08b, clear-amber efb75c, clear-red d9605a,
  clear-smoke 8b9094`;
var GLOW = "glow e3efc2";
var colourName = (id2) => {
  const plain = id2.startsWith("clear-") ? `see-through ${id2.slice(6)}` : id2 === "clear" ? "see-through" : id2;
  return plain.charAt(0).toUpperCase() + plain.slice(1);
};
var parse = (list, finish) => list.split(",").map((entry) => {
  const [id2, hex3] = entry.trim().split(/\s+/);
  return { id: id2, name: colourName(id2), hex: `#${hex3}`, finish };
});
var COLOURS = [
  ...parse(SOLID, "solid"),
  ...parse(METAL, "metal"),
  ...parse(CLEAR, "clear"),
  ...parse(GLOW, "glow")
];

// src/core/catalogue/families/axles.ts
var X2 = [1, 0, 0];
var Y = [0, 1, 0];
var HOLE = 6;
var BEAM = 10;
var bore = (x, z) => block(x - 3, 0, z - 3, HOLE, BEAM, HOLE);
var roundHole = (x, z) => [
  { kind: "hole", at: [x, 5, z], facing: MINUS_Y },
  { kind: "mouth", at: [x, 0, z], facing: MINUS_Y },
  { kind: "mouth", at: [x, BEAM, z], facing: PLUS_Y }
];
var crossHole = (x, z) => [{ kind: "cross", at: [x, 5, z], facing: MINUS_Y }];
function holedBrick(id2, title, { columns: columns2, holes, isCross }) {
  const cells = cellMiddles(columns2, 1);
  const box = [columns2 * 10, 10, BRICK_HEIGHT];
  const z = BRICK_HEIGHT / 2;
  return makeShape({
    id: id2,
    family: "pin and axle",
    title,
    box,
    bodies: carved(
      block(0, 0, 0, ...box),
      holes.map((x) => bore(x, z))
    ),
    connectors: [
      ...studsAt(cells, BRICK_HEIGHT),
      ...socketsAt(cells),
      ...holes.flatMap((x) => isCross ? crossHole(x, z) : roundHole(x, z))
    ],
    outline: (builder) => drilled(builder, box, holes, z, isCross === true)
  });
}
function drilled(builder, box, holes, z, isCross) {
  const whole = rectangle(0, 0, box[0], box[2]);
  const middles = holes.map((x) => [x, z]);
  builder.perforated(cornersOf2(whole), holesInRow(whole, middles, isCross ? 2.4 : 2.9, 3.6, isCross ? 4 : 16), 1, 0, BEAM);
}
function beam(length2) {
  const box = [length2 * 10, BEAM, 10];
  const holes = Array.from({ length: length2 }, (_, i) => i * 10 + 5);
  return makeShape({
    id: `beam-${length2}`,
    family: "beam",
    title: `Beam, ${length2} long`,
    box,
    bodies: carved(
      block(0, 0, 0, ...box),
      holes.map((x) => bore(x, 5))
    ),
    connectors: holes.flatMap((x) => roundHole(x, 5)),
    outline: (builder) => {
      const right = box[0] - 5;
      const [leftEnd, rightEnd] = [arc([5, 5], 5, 90, 270, 10), arc([right, 5], 5, -90, 90, 10)];
      const middle2 = holesInRow(
        rectangle(10, 0, box[0] - 10, 10),
        holes.slice(1, -1).map((x) => [x, 5]),
        2.9,
        3.6
      );
      const cells = [
        { cell: [...leftEnd, [10, 0], [10, 10]], hole: circle([5, 5], 2.9, 16) },
        ...length2 > 2 ? middle2 : [],
        { cell: [...rightEnd, [box[0] - 10, 10], [box[0] - 10, 0]], hole: circle([right, 5], 2.9, 16) }
      ];
      builder.perforated([...leftEnd, ...rightEnd], cells, 1, 0, BEAM);
    }
  });
}
function bentBeam(along, up) {
  const box = [along * 10, BEAM, up * 10];
  const holes = [
    ...Array.from({ length: along }, (_, i) => [i * 10 + 5, 5]),
    ...Array.from({ length: up - 1 }, (_, i) => [5, i * 10 + 15])
  ];
  const legs2 = [block(0, 0, 0, along * 10, BEAM, 10), block(0, 0, 10, 10, BEAM, (up - 1) * 10)];
  return makeShape({
    id: `beam-bent-${up}x${along}`,
    family: "beam",
    title: `Bent beam ${up} \xD7 ${along}`,
    box,
    bodies: legs2.flatMap(
      (leg2) => carved(
        leg2,
        holes.map(([x, z]) => bore(x, z))
      )
    ),
    connectors: holes.flatMap(([x, z]) => roundHole(x, z)),
    reflection: [1, 0, 0, 0, -1, 0, 0, 0, 1],
    outline: (builder) => {
      const low = rectangle(0, 0, along * 10, 10);
      builder.perforated(
        cornersOf2(low),
        holesInRow(
          low,
          Array.from({ length: along }, (_, i) => [i * 10 + 5, 5]),
          2.9,
          3.6
        ),
        1,
        0,
        BEAM
      );
      for (let i = 1; i < up; i++) {
        const cell = rectangle(0, i * 10, 10, i * 10 + 10);
        builder.perforated(cornersOf2(cell), holesInRow(cell, [[5, i * 10 + 5]], 2.9, 3.6), 1, 0, BEAM);
      }
    }
  });
}
var PEG = [
  [2.4, 0],
  [2.9, 0.6],
  [2.9, 1.6],
  [2.5, 2],
  [2.5, 9],
  [2.95, 9.4]
];
function pin(id2, title, halves) {
  const long = halves * 10;
  return makeShape({
    id: id2,
    family: "pin",
    title,
    box: [long, HOLE, HOLE],
    bodies: [round(block(0, 0, 0, long, HOLE, HOLE))],
    connectors: Array.from({ length: halves }, (_, i) => ({ kind: "pin", at: [i * 10 + 5, 3, 3], facing: PLUS_X })),
    outline: (builder) => {
      const back = [...PEG].reverse().map(([radius, height]) => [radius, long - height]);
      builder.lathe([0, 3, 3], X2, [...PEG, ...back], 16);
    }
  });
}
function halfPin() {
  return makeShape({
    id: "pin-half",
    family: "pin",
    title: "Half pin with a stud",
    box: [10, HOLE, HOLE],
    bodies: [round(block(0, 0, 0, 10, HOLE, HOLE))],
    connectors: [
      { kind: "pin", at: [5, 3, 3], facing: PLUS_X },
      { kind: "stud", at: [10, 3, 3], facing: PLUS_X }
    ],
    reflection: [1, 0, 0, 0, -1, 0, 0, 0, 1],
    outline: (builder) => builder.lathe([0, 3, 3], X2, [...PEG, [2.95, 10]], 16)
  });
}
var CROSS = [
  [2, 0],
  [4, 0],
  [4, 2],
  [6, 2],
  [6, 4],
  [4, 4],
  [4, 6],
  [2, 6],
  [2, 4],
  [0, 4],
  [0, 2],
  [2, 2]
];
var axleConnector = (from, length2) => ({ kind: "axle", at: [from, 3, 3], facing: PLUS_X, length: length2 });
function axle(length2) {
  const long = length2 * 10;
  return makeShape({
    id: `axle-${length2}`,
    family: "axle",
    title: `Axle, ${length2} long`,
    box: [long, HOLE, HOLE],
    bodies: [round(block(0, 0, 0, long, HOLE, HOLE))],
    connectors: [axleConnector(0, long)],
    outline: (builder) => builder.extrude(CROSS, 0, 0, long)
  });
}
function pinAxle() {
  return makeShape({
    id: "pin-axle",
    family: "pin",
    title: "Pin with an axle end",
    box: [20, HOLE, HOLE],
    bodies: [round(block(0, 0, 0, 20, HOLE, HOLE))],
    connectors: [{ kind: "pin", at: [5, 3, 3], facing: PLUS_X }, axleConnector(10, 10)],
    reflection: [1, 0, 0, 0, -1, 0, 0, 0, 1],
    outline: (builder) => {
      builder.lathe([0, 3, 3], X2, [...PEG, [2.95, 10]], 16);
      builder.extrude(CROSS, 0, 10, 20);
    }
  });
}
function sleeve(id2, title, long, across) {
  const middle2 = across / 2;
  return makeShape({
    id: id2,
    family: "axle",
    title,
    box: [long, across, across],
    bodies: carved(block(0, 0, 0, long, across, across), [block(0, middle2 - 3, middle2 - 3, long, HOLE, HOLE)]),
    connectors: (long > 12 ? [5, long - 5] : [long / 2]).map((x) => ({
      kind: "cross",
      at: [x, middle2, middle2],
      facing: PLUS_X
    })),
    outline: (builder) => {
      builder.tube([0, middle2, middle2], X2, middle2, 2.6, long, 20);
    }
  });
}
function gear(teeth) {
  const pitch = teeth * 5 / 8;
  const across = 2 * (pitch + 1);
  const middle2 = across / 2;
  const box = [across, BEAM, across];
  const inside = pitch - 1;
  const narrow = Math.floor(inside * 0.45);
  const wide = Math.floor(Math.sqrt(inside ** 2 - narrow ** 2));
  const square = Math.floor(inside / Math.SQRT2);
  const slabs = teeth <= 8 ? [
    block(middle2 - 4, 0, middle2 - 4, 8, BEAM, 8),
    ...[-5, 4].flatMap((by) => [block(middle2 + by, 0, middle2 - 2, 1, BEAM, 4), block(middle2 - 2, 0, middle2 + by, 4, BEAM, 1)])
  ] : [
    block(middle2 - square, 0, middle2 - square, 2 * square, BEAM, 2 * square),
    block(middle2 - wide, 0, middle2 - narrow, wide - square, BEAM, 2 * narrow),
    block(middle2 + square, 0, middle2 - narrow, wide - square, BEAM, 2 * narrow),
    block(middle2 - narrow, 0, middle2 - wide, 2 * narrow, BEAM, wide - square),
    block(middle2 - narrow, 0, middle2 + square, 2 * narrow, BEAM, wide - square)
  ];
  return makeShape({
    id: `gear-${teeth}`,
    family: "gear",
    title: `Gear, ${teeth} teeth`,
    box,
    bodies: slabs.filter(({ min, max }) => max[0] > min[0] && max[2] > min[2]).flatMap((slab) => carved(slab, [bore(middle2, middle2)])),
    connectors: crossHole(middle2, middle2),
    outline: (builder) => {
      const rim = (from, depth, outer, inner) => {
        builder.tube([middle2, from, middle2], Y, outer, inner, depth, 4 * teeth > 48 ? 48 : 24);
      };
      if (pitch > 7) rim(2, 6, pitch - 0.8, pitch - 3);
      rim(0, BEAM, Math.min(4.2, pitch - 0.8), 2.6);
      if (pitch > 7) rim(3.5, 3, pitch - 3, 4.2);
      for (let i = 0; i < teeth; i++) builder.extrude(tooth(middle2, pitch, 2 * Math.PI * (i + 0.5) / teeth, Math.PI / teeth), 1, 2, 8);
    }
  });
}
function tooth(middle2, pitch, angle2, half) {
  const at = (radius, turn2) => [middle2 + radius * Math.cos(angle2 + turn2), middle2 + radius * Math.sin(angle2 + turn2)];
  return [at(pitch - 1, -half * 0.55), at(pitch + 1, -half * 0.28), at(pitch + 1, half * 0.28), at(pitch - 1, half * 0.55)];
}
function wheel({ id: id2, title, across, rim, hasCross }) {
  const middle2 = across / 2;
  const inside = Math.floor((middle2 - 1) / Math.SQRT2);
  const long = middle2 - 1;
  const narrow = Math.floor(inside * 0.6);
  const slabs = [
    block(middle2 - inside, 0, middle2 - inside, 2 * inside, BEAM, 2 * inside),
    block(middle2 - long, 0, middle2 - narrow, long - inside, BEAM, 2 * narrow),
    block(middle2 + inside, 0, middle2 - narrow, long - inside, BEAM, 2 * narrow),
    block(middle2 - narrow, 0, middle2 - long, 2 * narrow, BEAM, long - inside),
    block(middle2 - narrow, 0, middle2 + inside, 2 * narrow, BEAM, long - inside)
  ];
  return makeShape({
    id: id2,
    family: "wheel",
    title,
    box: [across, BEAM, across],
    bodies: slabs.flatMap((slab) => carved(slab, [bore(middle2, middle2)])),
    connectors: hasCross ? crossHole(middle2, middle2) : [{ kind: "hole", at: [middle2, 5, middle2], facing: MINUS_Y }],
    outline: (builder) => {
      builder.tube([middle2, 0, middle2], Y, middle2 - 1, rim, BEAM, 40);
      builder.tube([middle2, 1, middle2], Y, middle2, middle2 - 1, BEAM - 2, 40);
      builder.tube([middle2, 1.5, middle2], Y, rim, rim - 1.2, BEAM - 3, 32);
      builder.tube([middle2, 1, middle2], Y, 4.4, 2.9, BEAM - 2, 20);
      for (let i = 0; i < 5; i++) builder.extrude(spoke(middle2, 4, rim - 0.8, 2 * Math.PI * i / 5, 1.4), 1, 3, 6);
    }
  });
}
function spoke(middle2, from, to, angle2, half) {
  const at = (radius, side) => [
    middle2 + radius * Math.cos(angle2) - side * Math.sin(angle2),
    middle2 + radius * Math.sin(angle2) + side * Math.cos(angle2)
  ];
  return [at(from, -half), at(to, -half), at(to, half), at(from, half)];
}
function crank() {
  const box = [30, BEAM, 10];
  return makeShape({
    id: "crank",
    family: "pin and axle",
    title: "Crank with two axle holes",
    box,
    bodies: carved(block(0, 0, 0, ...box), [bore(5, 5), bore(25, 5)]),
    connectors: [...crossHole(5, 5), ...crossHole(25, 5)],
    outline: (builder) => drilled(builder, box, [5, 25], 5, true)
  });
}
function corner2() {
  return makeShape({
    id: "axle-corner",
    family: "pin and axle",
    title: "Axle and pin joint at a right angle",
    box: [10, BEAM, 20],
    bodies: [
      ...carved(block(0, 0, 0, 10, BEAM, 10), [bore(5, 5)]),
      ...carved(block(0, 0, 10, 10, BEAM, 10), [block(0, 2, 12, 10, HOLE, HOLE)])
    ],
    connectors: [...roundHole(5, 5), { kind: "cross", at: [5, 5, 15], facing: PLUS_X }],
    reflection: LEFT_RIGHT,
    outline: (builder) => {
      const low = rectangle(0, 0, 10, 10);
      builder.perforated(cornersOf2(low), holesInRow(low, [[5, 5]], 2.9, 3.6), 1, 0, BEAM);
      const high = rectangle(0, 10, 10, 20);
      builder.perforated(cornersOf2(high), holesInRow(high, [[5, 15]], 2.4, 3.6, 4), 0, 0, BEAM);
    }
  });
}
function holePlate() {
  const cells = cellMiddles(2, 1);
  return makeShape({
    id: "plate-1x2-hole-top",
    family: "pin and axle",
    title: "Plate 1 \xD7 2 with a pin hole on top",
    box: [20, 10, 4],
    bodies: [block(0, 0, 0, 20, 10, 4), ...carved(block(5, 0, 4, 10, BEAM, 10), [bore(10, 9)])],
    connectors: [...socketsAt(cells), ...roundHole(10, 9)],
    outline: (builder) => {
      builder.box(block(0, 0, 0, 20, 10, 4));
      const high = rectangle(5, 4, 15, 14);
      builder.perforated(cornersOf2(high), holesInRow(high, [[10, 9]], 2.9, 3.6), 1, 0, BEAM);
    }
  });
}
function pinBrick() {
  const cells = cellMiddles(2, 1);
  return makeShape({
    id: "brick-1x2-pin",
    family: "pin and axle",
    title: "Brick 1 \xD7 2 with a pin",
    box: [20, 10, BRICK_HEIGHT],
    bodies: [block(0, 0, 0, 20, 10, BRICK_HEIGHT), round(block(7, -10, 3, HOLE, 10, HOLE))],
    connectors: [...studsAt(cells, BRICK_HEIGHT), ...socketsAt(cells), { kind: "pin", at: [10, -5, 6], facing: MINUS_Y }],
    outline: (builder) => {
      builder.box(block(0, 0, 0, 20, 10, BRICK_HEIGHT));
      builder.lathe([10, -10, 6], Y, [...PEG, [2.95, 10]], 16);
    }
  });
}
function wheelPlate() {
  const cells = cellMiddles(2, 2);
  return makeShape({
    id: "plate-2x2-pins",
    family: "pin and axle",
    title: "Plate 2 \xD7 2 with a wheel pin on either side",
    box: [20, 20, 4],
    bodies: [block(0, 0, 0, 20, 20, 4), ...[-10, 20].map((y) => round(block(7, y, -3, HOLE, 10, HOLE))), block(7, 0, -3, 6, 20, 3)],
    connectors: [...studsAt(cells, 4), { kind: "pin", at: [10, -5, 0], facing: MINUS_Y }, { kind: "pin", at: [10, 25, 0], facing: PLUS_Y }],
    outline: (builder) => {
      builder.box(block(0, 0, 0, 20, 20, 4));
      builder.round([10, 0, 0], Y, 3, 3, 20, 16);
      builder.lathe([10, -10, 0], Y, [...PEG, [2.95, 10]], 16);
      builder.lathe([10, 30, 0], [0, -1, 0], [...PEG, [2.95, 10]], 16);
    }
  });
}
var axleShapes = () => [
  holedBrick("brick-1x1-hole", "Brick 1 \xD7 1 with a pin hole", { columns: 1, holes: [5] }),
  holedBrick("brick-1x2-hole", "Brick 1 \xD7 2 with a pin hole", { columns: 2, holes: [10] }),
  holedBrick("brick-1x2-holes", "Brick 1 \xD7 2 with two pin holes", { columns: 2, holes: [5, 15] }),
  holedBrick("brick-1x4-holes", "Brick 1 \xD7 4 with three pin holes", { columns: 4, holes: [10, 20, 30] }),
  holedBrick("brick-1x6-holes", "Brick 1 \xD7 6 with five pin holes", { columns: 6, holes: [10, 20, 30, 40, 50] }),
  holedBrick("brick-1x8-holes", "Brick 1 \xD7 8 with seven pin holes", { columns: 8, holes: [10, 20, 30, 40, 50, 60, 70] }),
  holedBrick("brick-1x2-cross", "Brick 1 \xD7 2 with an axle hole", { columns: 2, holes: [10], isCross: true }),
  ...[2, 3, 5, 7, 9, 11, 13, 15].map(beam),
  bentBeam(3, 2),
  bentBeam(4, 2),
  bentBeam(5, 3),
  pin("pin", "Pin", 2),
  pin("pin-long", "Long pin", 3),
  halfPin(),
  pinAxle(),
  ...[2, 3, 4, 5, 6, 7, 8, 10, 12].map(axle),
  sleeve("bush", "Bush", 10, 8),
  sleeve("bush-half", "Half bush", 4, 8),
  sleeve("axle-joint", "Axle joint, 2 long", 20, 8),
  crank(),
  corner2(),
  holePlate(),
  pinBrick(),
  wheelPlate(),
  gear(8),
  gear(16),
  gear(24),
  gear(40),
  wheel({ id: "wheel-small", title: "Small wheel", across: 20, rim: 6.5 }),
  wheel({ id: "wheel-medium", title: "Wheel with an axle hole", across: 30, rim: 10, hasCross: true }),
  wheel({ id: "wheel-large", title: "Large wheel with an axle hole", across: 44, rim: 15, hasCross: true })
];

// src/core/catalogue/families/bars.ts
var X3 = [1, 0, 0];
function bar(length2) {
  const long = length2 * STUD_PITCH;
  return makeShape({
    id: `bar-${length2}`,
    family: "bar",
    title: `Bar, ${length2} long`,
    box: [long, 4, 4],
    bodies: [round(block(0, 0, 0, long, 4, 4))],
    connectors: [{ kind: "bar", at: [0, 2, 2], facing: PLUS_X, length: long }],
    outline: (builder) => builder.round([0, 2, 2], X3, 2, 2, long, 12)
  });
}
function plate(columns2, rows2, height, hasStuds = true) {
  const cells = cellMiddles(columns2, rows2);
  const box = [columns2 * STUD_PITCH, rows2 * STUD_PITCH, height];
  return { box, body: block(0, 0, 0, ...box), connectors: [...hasStuds ? studsAt(cells, height) : [], ...socketsAt(cells)] };
}
function withAdded(id2, family, title, base2, added) {
  const recipe = {
    id: id2,
    family,
    title,
    box: base2.box,
    bodies: [base2.body, ...added.flatMap(({ bodies }) => bodies)],
    connectors: [...base2.connectors, ...added.flatMap(({ connectors }) => connectors)],
    outline: (builder) => {
      builder.box(base2.body);
      for (const { bodies, outline } of added) {
        if (outline) outline(builder);
        else for (const body of bodies) builder.box(body);
      }
    }
  };
  return makeShape(recipe);
}
var uprightClip = (x, z) => ({
  bodies: [block(x - 4, -2, z - 2, 8, 2, 4), block(x - 4, -6, z - 2, 2, 4, 4), block(x + 2, -6, z - 2, 2, 4, 4)],
  connectors: [{ kind: "clip", at: [x, -4, z], facing: MINUS_Y, along: PLUS_Z }]
});
var lyingClip = (x, z) => ({
  bodies: [block(x - 3, -2, z - 4, 6, 2, 8), block(x - 3, -6, z - 4, 6, 4, 2), block(x - 3, -6, z + 2, 6, 4, 2)],
  connectors: [{ kind: "clip", at: [x, -4, z], facing: MINUS_Y, along: PLUS_X }]
});
var topClip = (x, y, z) => ({
  bodies: [block(x - 3, y - 4, z, 6, 8, 2), block(x - 3, y - 4, z + 2, 6, 2, 4), block(x - 3, y + 2, z + 2, 6, 2, 4)],
  connectors: [{ kind: "clip", at: [x, y, z + 4], facing: PLUS_Z, along: PLUS_X }]
});
var barInFront = (left, right, z) => ({
  bodies: [block(left, -2, z - 2, 2, 2, 4), block(right - 2, -2, z - 2, 2, 2, 4), round(block(left, -6, z - 2, right - left, 4, 4))],
  connectors: [{ kind: "bar", at: [left + 2, -4, z], facing: PLUS_X, length: right - left - 4 }],
  outline: (builder) => {
    for (const x of [left, right - 2]) builder.box(block(x, -4, z - 2, 2, 4, 4));
    builder.round([left, -4, z], X3, 2, 2, right - left, 12);
  }
});
var barOnTop = (x, y, z, length2) => ({
  bodies: [round(block(x - 2, y - 2, z, 4, 4, length2))],
  connectors: [{ kind: "bar", at: [x, y, z], facing: PLUS_Z, length: length2 }],
  outline: (builder) => builder.round([x, y, z], [0, 0, 1], 2, 2, length2, 12)
});
var barForward = (x, z, length2) => ({
  bodies: [round(block(x - 2, -length2, z - 2, 4, length2, 4))],
  connectors: [{ kind: "bar", at: [x, 0, z], facing: MINUS_Y, length: length2 }],
  outline: (builder) => builder.round([x, 0, z], [0, -1, 0], 2, 2, length2, 12)
});
var ringInFront = (x, z) => ({
  bodies: [...uprightClip(x, z).bodies, block(x - 4, -8, z - 2, 8, 2, 4)],
  connectors: [{ kind: "clip", at: [x, -4, z], facing: PLUS_Z, along: PLUS_Z }],
  outline: (builder) => {
    builder.box(block(x - 2, -1, z - 2, 4, 1, 4));
    builder.tube([x, -4, z - 2], [0, 0, 1], 4, 2, 4, 20);
  }
});
function elbow() {
  return makeShape({
    id: "bar-elbow",
    family: "bar",
    title: "Bar elbow",
    box: [20, 4, 20],
    bodies: [round(block(0, 0, 0, 20, 4, 4)), round(block(0, 0, 4, 4, 4, 16))],
    connectors: [
      { kind: "bar", at: [4, 2, 2], facing: PLUS_X, length: 16 },
      { kind: "bar", at: [2, 2, 4], facing: PLUS_Z, length: 16 }
    ],
    twin: "bar-elbow",
    reflection: [0, 0, 1, 0, 1, 0, 1, 0, 0],
    outline: (builder) => {
      builder.round([0, 2, 2], X3, 2, 2, 20, 12);
      builder.round([2, 2, 0], [0, 0, 1], 2, 2, 20, 12);
    }
  });
}
function cross2() {
  return makeShape({
    id: "bar-cross",
    family: "bar",
    title: "Bar cross",
    box: [28, 4, 28],
    bodies: [round(block(0, 0, 12, 28, 4, 4)), round(block(12, 0, 0, 4, 4, 12)), round(block(12, 0, 16, 4, 4, 12))],
    connectors: [
      { kind: "bar", at: [0, 2, 14], facing: PLUS_X, length: 10 },
      { kind: "bar", at: [18, 2, 14], facing: PLUS_X, length: 10 },
      { kind: "bar", at: [14, 2, 0], facing: PLUS_Z, length: 10 },
      { kind: "bar", at: [14, 2, 18], facing: PLUS_Z, length: 10 }
    ],
    outline: (builder) => {
      builder.round([0, 2, 14], X3, 2, 2, 28, 12);
      builder.round([14, 2, 0], [0, 0, 1], 2, 2, 28, 12);
    }
  });
}
function clipBar() {
  return makeShape({
    id: "bar-clip",
    family: "clip and bar",
    title: "Bar with a clip at its end",
    box: [26, 4, 8],
    bodies: [round(block(0, 0, 2, 18, 4, 4)), block(18, 0, 0, 2, 4, 8), block(20, 0, 0, 6, 4, 2), block(20, 0, 6, 6, 4, 2)],
    connectors: [
      { kind: "bar", at: [0, 2, 4], facing: PLUS_X, length: 16 },
      { kind: "clip", at: [22, 2, 4], facing: PLUS_X, along: MINUS_Y }
    ],
    twin: "bar-clip",
    reflection: [1, 0, 0, 0, -1, 0, 0, 0, 1],
    outline: (builder) => {
      builder.round([0, 2, 4], X3, 2, 2, 18, 12);
      for (const jaw of [block(18, 0, 0, 2, 4, 8), block(20, 0, 0, 6, 4, 2), block(20, 0, 6, 6, 4, 2)]) builder.box(jaw);
    }
  });
}
var P = PLATE_HEIGHT;
var FAMILY = "clip and bar";
var BRICK = 12;
var barShapes = () => [
  ...[1, 2, 3, 4, 6, 8].map(bar),
  elbow(),
  cross2(),
  clipBar(),
  withAdded("plate-1x1-clip", FAMILY, "Plate 1 \xD7 1 with a clip for an upright bar", plate(1, 1, P), [uprightClip(5, 2)]),
  withAdded("plate-1x1-clip-lying", FAMILY, "Plate 1 \xD7 1 with a clip for a lying bar", plate(1, 1, P), [lyingClip(5, 2)]),
  withAdded("plate-1x1-clip-top", FAMILY, "Plate 1 \xD7 1 with a clip on top", plate(1, 1, P, false), [topClip(5, 5, P)]),
  withAdded("plate-1x2-clip-end", FAMILY, "Plate 1 \xD7 2 with a clip in the middle of its side", plate(2, 1, P), [uprightClip(10, 2)]),
  withAdded("plate-1x2-clips", FAMILY, "Plate 1 \xD7 2 with two clips for upright bars", plate(2, 1, P), [
    uprightClip(5, 2),
    uprightClip(15, 2)
  ]),
  withAdded("plate-1x2-clip-lying", FAMILY, "Plate 1 \xD7 2 with a clip for a lying bar", plate(2, 1, P), [lyingClip(10, 2)]),
  withAdded("plate-1x2-clips-top", FAMILY, "Plate 1 \xD7 2 with two clips on top", plate(2, 1, P, false), [
    topClip(5, 5, P),
    topClip(15, 5, P)
  ]),
  withAdded("brick-1x1-clip", FAMILY, "Brick 1 \xD7 1 with a clip for an upright bar", plate(1, 1, BRICK), [uprightClip(5, 6)]),
  withAdded("brick-1x1-clip-lying", FAMILY, "Brick 1 \xD7 1 with a clip for a lying bar", plate(1, 1, BRICK), [lyingClip(5, 6)]),
  withAdded("plate-1x2-bar", FAMILY, "Plate 1 \xD7 2 with a bar along its side", plate(2, 1, P), [barInFront(0, 20, 2)]),
  withAdded("plate-2x2-bar", FAMILY, "Plate 2 \xD7 2 with a bar along its side", plate(2, 2, P), [barInFront(0, 20, 2)]),
  withAdded("brick-1x2-bar", FAMILY, "Brick 1 \xD7 2 with a bar along its side", plate(2, 1, BRICK), [barInFront(0, 20, 6)]),
  withAdded("brick-1x4-bar", FAMILY, "Brick 1 \xD7 4 with a bar along its side", plate(4, 1, BRICK), [barInFront(0, 40, 6)]),
  withAdded("plate-1x1-bar-up", FAMILY, "Plate 1 \xD7 1 with an upright bar", plate(1, 1, P, false), [barOnTop(5, 5, P, 10)]),
  withAdded("plate-1x2-bar-up", FAMILY, "Plate 1 \xD7 2 with an upright bar", plate(2, 1, P, false), [barOnTop(10, 5, P, 10)]),
  withAdded("plate-1x2-bar-forward", FAMILY, "Plate 1 \xD7 2 with a bar that points forward", plate(2, 1, P), [barForward(10, 2, 12)]),
  withAdded("tile-1x2-bars-up", FAMILY, "Tile 1 \xD7 2 with two upright bars", plate(2, 1, P, false), [
    barOnTop(5, 5, P, 10),
    barOnTop(15, 5, P, 10)
  ]),
  withAdded("ring-plate-1x1", FAMILY, "Plate 1 \xD7 1 with a ring", plate(1, 1, P), [ringInFront(5, 2)]),
  withAdded("ring-plate-1x2", FAMILY, "Plate 1 \xD7 2 with two rings", plate(2, 1, P), [ringInFront(5, 2), ringInFront(15, 2)]),
  withAdded("handle-plate-1x2", FAMILY, "Plate 1 \xD7 2 with a handle on top", plate(2, 1, P, false), [handle(20)])
];
function handle(width) {
  const z = P + 4;
  return {
    bodies: [block(0, 3, P, 2, 4, 8), block(width - 2, 3, P, 2, 4, 8), round(block(2, 3, z, width - 4, 4, 4))],
    connectors: [{ kind: "bar", at: [4, 5, z + 2], facing: PLUS_X, length: width - 8 }],
    outline: (builder) => {
      for (const x of [0, width - 2]) builder.box(block(x, 3, P, 2, 4, 8));
      builder.round([2, 5, z + 2], X3, 2, 2, width - 4, 12);
    }
  };
}

// src/core/catalogue/families/tools.ts
var X4 = [1, 0, 0];
var FLAT = [1, 0, 0, 0, -1, 0, 0, 0, 1];
function tool({ id: id2, title, handle: handle2, long, high, deep = 4, draw }) {
  const middle2 = high / 2;
  const side = deep / 2;
  return makeShape({
    id: `tool-${id2}`,
    family: "hand-held",
    title,
    box: [long, deep, high],
    bodies: [
      { ...block(0, side - 2, middle2 - 2, handle2, 4, 4), round: true },
      ...long > handle2 ? [block(handle2, 0, 0, long - handle2, deep, high)] : []
    ],
    connectors: [{ kind: "bar", at: [0, side, middle2], facing: PLUS_X, length: handle2 - 2 }],
    reflection: FLAT,
    outline: (builder) => {
      builder.round([0, side, middle2], X4, 1.9, 1.9, handle2, 12);
      draw(builder, middle2);
    }
  });
}
var flat = (builder, outline, from = 1.2, to = 2.8) => builder.extrude(outline, 1, from, to);
var TOOLS = [
  { id: "hammer", title: "Hammer", handle: 24, long: 30, high: 14, draw: (b) => b.box(block(24, 0, 1, 6, 4, 12)) },
  {
    id: "axe",
    title: "Axe",
    handle: 26,
    long: 34,
    high: 16,
    draw: (b, m) => flat(b, [
      [25, m - 3],
      [30, m - 3],
      [34, 0],
      [34, 16],
      [30, m + 3],
      [25, m + 3]
    ])
  },
  {
    id: "saw",
    title: "Saw",
    handle: 12,
    long: 36,
    high: 10,
    draw: (b) => flat(
      b,
      [
        [11, 8],
        [11, 2],
        [14, 0],
        [16, 1.6],
        [19, 0],
        [22, 1.6],
        [25, 0],
        [28, 1.6],
        [31, 0],
        [36, 4],
        [36, 8]
      ],
      1.5,
      2.5
    )
  },
  {
    id: "spanner",
    title: "Spanner",
    handle: 22,
    long: 30,
    high: 10,
    draw: (b) => flat(b, [
      [21, 3],
      [24, 0],
      [30, 0],
      [30, 2.4],
      [26, 3.4],
      [26, 6.6],
      [30, 7.6],
      [30, 10],
      [24, 10],
      [21, 7]
    ])
  },
  {
    id: "shovel",
    title: "Shovel",
    handle: 30,
    long: 44,
    high: 10,
    draw: (b) => flat(b, [
      [29, 3],
      [32, 0],
      [40, 0],
      [44, 5],
      [40, 10],
      [32, 10],
      [29, 7]
    ])
  },
  {
    id: "pickaxe",
    title: "Pickaxe",
    handle: 26,
    long: 32,
    high: 26,
    draw: (b, m) => flat(
      b,
      [
        [26, 0],
        [30, m - 5],
        [32, m],
        [30, m + 5],
        [26, 26],
        [27, m + 4],
        [26, m],
        [27, m - 4]
      ],
      0.8,
      3.2
    )
  },
  {
    id: "broom",
    title: "Broom",
    handle: 34,
    long: 46,
    high: 12,
    draw: (b) => flat(
      b,
      [
        [33, 4],
        [46, 0],
        [46, 12],
        [33, 8]
      ],
      0.4,
      3.6
    )
  },
  {
    id: "rake",
    title: "Rake",
    handle: 34,
    long: 40,
    high: 16,
    draw: (b) => {
      b.box(block(34, 1, 0, 2, 2, 16));
      for (const z of [0, 3.5, 7, 10.5, 14]) b.box(block(36, 1.2, z, 4, 1.6, 1.6));
    }
  },
  {
    id: "paddle",
    title: "Paddle",
    handle: 36,
    long: 54,
    high: 10,
    draw: (b) => flat(b, [
      [35, 3.4],
      [40, 0.4],
      [50, 0],
      [54, 5],
      [50, 10],
      [40, 9.6],
      [35, 6.6]
    ])
  },
  {
    id: "pan",
    title: "Pan",
    handle: 16,
    long: 34,
    high: 18,
    draw: (b) => {
      b.round([25, 2, 9], [0, 1, 0], 8.6, 8, 1, 24);
      b.tube([25, 0, 9], [0, 1, 0], 9, 8, 2, 24);
    }
  },
  {
    id: "brush",
    title: "Paint brush",
    handle: 18,
    long: 28,
    high: 8,
    draw: (b) => {
      b.box(block(18, 0.6, 0.4, 4, 2.8, 7.2));
      flat(
        b,
        [
          [22, 0.6],
          [27, 1.4],
          [28, 4],
          [27, 6.6],
          [22, 7.4]
        ],
        1,
        3
      );
    }
  },
  {
    id: "torch",
    title: "Torch",
    handle: 20,
    long: 28,
    high: 8,
    deep: 8,
    draw: (b) => b.lathe(
      [20, 4, 4],
      X4,
      [
        [2, 0],
        [3.8, 3],
        [3.8, 8]
      ],
      16
    )
  },
  {
    id: "telescope",
    title: "Telescope",
    handle: 14,
    long: 30,
    high: 6,
    deep: 6,
    draw: (b) => b.lathe(
      [14, 3, 3],
      X4,
      [
        [2, 0],
        [2.4, 0.4],
        [2.4, 8],
        [2.9, 8.4],
        [2.9, 16]
      ],
      18
    )
  },
  {
    id: "staff",
    title: "Staff",
    handle: 56,
    long: 60,
    high: 6,
    deep: 6,
    draw: (b) => b.lathe(
      [56, 3, 3],
      X4,
      [
        [1.9, 0],
        [2.8, 1.4],
        [2.4, 3],
        [0, 4]
      ],
      14
    )
  },
  {
    id: "net",
    title: "Landing net",
    handle: 28,
    long: 46,
    high: 18,
    draw: (b) => {
      b.tube([37, 1, 9], [0, 1, 0], 9, 7.4, 2, 24);
      for (const z of [5, 9, 13]) b.box(block(30.5, 1.6, z - 0.4, 13, 0.8, 0.8));
      for (const x of [33, 37, 41]) b.box(block(x - 0.4, 1.6, 2.4, 0.8, 0.8, 13.2));
    }
  },
  {
    id: "flag",
    title: "Flag",
    handle: 20,
    long: 50,
    high: 20,
    draw: (b, m) => {
      b.round([20, 2, m], X4, 1.4, 1.4, 30, 10);
      flat(
        b,
        [
          [28, m],
          [28, 20],
          [36, 19],
          [42, 20],
          [49, 19],
          [49, m]
        ],
        1.6,
        2.4
      );
    }
  }
];
var toolShapes = () => TOOLS.map(tool);

// src/core/catalogue/families/carried.ts
var X5 = [1, 0, 0];
var CARRIED = [
  {
    id: "umbrella",
    title: "Umbrella",
    handle: 30,
    long: 42,
    high: 32,
    deep: 32,
    draw: (b) => b.lathe(
      [30, 16, 16],
      X5,
      [
        [15.6, 0],
        [15.8, 1],
        [13, 5],
        [7, 9],
        [0, 12]
      ],
      12
    )
  },
  {
    id: "rod",
    title: "Fishing rod",
    handle: 16,
    long: 64,
    high: 8,
    draw: (b, m) => {
      b.round([16, 2, m], X5, 1.2, 0.5, 48, 8);
      b.tube([18, 1, m - 1.7], [0, 1, 0], 2.2, 0.8, 2, 14);
    }
  },
  {
    id: "key",
    title: "Large key",
    handle: 18,
    long: 28,
    high: 10,
    draw: (b) => {
      b.tube([22, 1, 5], [0, 1, 0], 4.6, 2.6, 2, 18);
      b.box(block(1, 1.4, 0.6, 3, 1.2, 3));
    }
  },
  {
    id: "magnifier",
    title: "Magnifying glass",
    handle: 14,
    long: 28,
    high: 14,
    draw: (b) => {
      b.tube([21, 1, 7], [0, 1, 0], 7, 5.6, 2, 24);
      b.round([21, 1.7, 7], [0, 1, 0], 5.8, 5.8, 0.6, 24);
    }
  },
  {
    id: "trowel",
    title: "Trowel",
    handle: 14,
    long: 28,
    high: 10,
    draw: (b) => flat(
      b,
      [
        [13, 4],
        [17, 0],
        [28, 5],
        [17, 10],
        [13, 6]
      ],
      1.5,
      2.5
    )
  },
  {
    id: "lantern",
    title: "Lantern on a grip",
    handle: 10,
    long: 22,
    high: 10,
    deep: 10,
    draw: (b) => b.lathe(
      [10, 5, 5],
      X5,
      [
        [2, 0],
        [4.6, 1.6],
        [3.4, 2],
        [3.4, 9],
        [4.6, 9.4],
        [3, 12]
      ],
      12
    )
  },
  {
    id: "book",
    title: "Book with a grip",
    handle: 8,
    long: 24,
    high: 20,
    draw: (b) => {
      b.box(block(8, 0, 0, 16, 1, 20));
      b.box(block(8, 3, 0, 16, 1, 20));
      b.box(block(8, 1, 0.6, 15.4, 2, 18.8));
    }
  }
];
var carriedShapes = () => CARRIED.map(tool);

// src/core/catalogue/families/details.ts
var UP = [0, 0, 1];
var SOCKET = socketsAt([[5, 5]]);
function detail(id2, title, recipe) {
  return makeShape({ id: id2, family: "detail", title, ...recipe });
}
function grille(columns2) {
  const width = columns2 * 10;
  const slots = Array.from(
    { length: columns2 * 3 - 1 },
    (_, i) => block(2 + i * 3.25 * ((width - 4) / (columns2 * 9.75 - 3.25)), 1.5, 2, 1.6, 7, 2)
  );
  return makeShape({
    id: `grille-1x${columns2}`,
    family: "grille",
    title: `Grille 1 \xD7 ${columns2}`,
    box: [width, 10, PLATE_HEIGHT],
    connectors: socketsAt(cellMiddles(columns2, 1)),
    outline: (builder) => {
      builder.box(block(0, 0, 0, width, 10, 2));
      builder.box(block(0, 0, 2, width, 1.5, 2));
      builder.box(block(0, 8.5, 2, width, 1.5, 2));
      let left = 0;
      for (const slot2 of slots) {
        if (slot2.min[0] > left) builder.box(block(left, 1.5, 2, slot2.min[0] - left, 7, 2));
        left = slot2.max[0];
      }
      builder.box(block(left, 1.5, 2, width - left, 7, 2));
    }
  });
}
function turned(id2, title, height, rings, more = {}) {
  return detail(id2, title, {
    box: [10, 10, height],
    connectors: SOCKET,
    outline: (builder) => builder.lathe([5, 5, 0], UP, rings, 20),
    ...more
  });
}
var mug = () => detail("cup", "Cup", {
  box: [10, 10, 8],
  bodies: [block(1, 1, 0, 8, 8, 8)],
  connectors: SOCKET,
  outline: (builder) => {
    builder.round([5, 5, 0], UP, 3, 3.4, 1, 20);
    builder.tube([5, 5, 1], UP, 3.4, 2.6, 7, 20);
    builder.tube([7.6, 5.5, 4.2], [0, -1, 0], 2.4, 1.5, 1.2, 14);
  }
});
var antenna = () => detail("antenna", "Antenna", {
  box: [10, 10, 48],
  bodies: [block(0, 0, 0, 10, 10, 4), round(block(4, 4, 4, 2, 2, 44))],
  connectors: SOCKET,
  outline: (builder) => {
    builder.round([5, 5, 0], UP, 4, 3, 4, 20);
    builder.round([5, 5, 4], UP, 1, 0.8, 41, 10);
    builder.lathe(
      [5, 5, 45],
      UP,
      [
        [0, 0],
        [1.4, 1],
        [1.4, 2],
        [0, 3]
      ],
      12
    );
  }
});
var horn = () => detail("horn", "Horn", {
  box: [24, 4, 12],
  bodies: [round(block(0, 0, 0, 8, 4, 4)), block(8, 0, 0, 8, 4, 6), block(16, 0, 2, 8, 4, 10)],
  connectors: [{ kind: "bar", at: [0, 2, 2], facing: PLUS_X, length: 6 }],
  reflection: [1, 0, 0, 0, -1, 0, 0, 0, 1],
  outline: (builder) => {
    builder.round([0, 2, 2], [1, 0, 0], 2, 2, 8, 12);
    builder.extrude(
      [
        [8, 0],
        [16, 1],
        [22, 6],
        [24, 12],
        [19, 8],
        [14, 5],
        [8, 4]
      ],
      1,
      0.6,
      3.4
    );
  }
});
var flame = () => detail("flame", "Flame", {
  box: [8, 4, 22],
  bodies: [round(block(2, 0, 0, 4, 4, 6)), block(0, 0, 6, 8, 4, 10), block(2, 0, 16, 4, 4, 6)],
  connectors: [{ kind: "bar", at: [4, 2, 0], facing: PLUS_Z, length: 6 }],
  outline: (builder) => {
    builder.round([4, 2, 0], UP, 2, 2, 6, 12);
    builder.extrude(
      [
        [4, 6],
        [7.4, 9],
        [7.8, 12],
        [5.4, 22],
        [4.6, 17],
        [2, 19],
        [0.4, 13],
        [1, 9]
      ],
      1,
      0.8,
      3.2
    );
  }
});
var tap = () => detail("tap", "Tap", {
  box: [10, 10, 12],
  bodies: [block(1, 1, 0, 8, 9, 12)],
  connectors: SOCKET,
  outline: (builder) => {
    builder.round([5, 6, 0], UP, 3, 2.4, 8, 16);
    builder.round([5, 6, 6], [0, -1, 0], 1.6, 1.6, 5, 12);
    builder.round([5, 2.2, 3], UP, 1.5, 1.5, 4, 12);
    builder.round([5, 6, 9], UP, 3.4, 3.4, 1.6, 6);
    builder.round([5, 6, 8], UP, 1, 1, 2, 8);
  }
});
var lever = () => detail("lever", "Lever", {
  box: [10, 10, 20],
  bodies: [block(0, 0, 0, 10, 10, 4), block(3, 3, 4, 4, 4, 16)],
  connectors: SOCKET,
  outline: (builder) => {
    builder.round([5, 5, 0], UP, 4.8, 4.8, 3, 20);
    builder.lathe(
      [5, 5, 2],
      UP,
      [
        [0, 0],
        [3, 1],
        [3, 3],
        [0, 4]
      ],
      16
    );
    builder.round([5, 5, 4], UP, 1.1, 1.1, 13, 10);
    builder.lathe(
      [5, 5, 16],
      UP,
      [
        [0, 0],
        [1.8, 1.2],
        [1.8, 2.6],
        [0, 4]
      ],
      12
    );
  }
});
var bucket = () => detail("bucket", "Bucket", {
  box: [10, 10, 14],
  bodies: [block(1, 1, 0, 8, 8, 9), block(1, 4, 9, 8, 2, 5)],
  connectors: [...SOCKET, { kind: "bar", at: [3, 5, 12], facing: PLUS_X, length: 4 }],
  outline: (builder) => {
    builder.round([5, 5, 0], UP, 2.8, 3, 1, 20);
    builder.tube([5, 5, 1], UP, 3.9, 3, 8, 20);
    builder.box(block(1, 4.4, 8, 1, 1.2, 6));
    builder.box(block(8, 4.4, 8, 1, 1.2, 6));
    builder.box(block(2, 4.4, 12.8, 6, 1.2, 1.2));
  }
});
var propeller = () => detail("propeller", "Propeller", {
  box: [40, 6, 40],
  bodies: carved(block(0, 0, 16, 40, 6, 8), [block(17, 0, 17, 6, 6, 6)]).concat([block(16, 0, 0, 8, 6, 16), block(16, 0, 24, 8, 6, 16)]),
  connectors: [{ kind: "hole", at: [20, 3, 20], facing: 3 }],
  outline: (builder) => {
    builder.tube([20, 0, 20], [0, 1, 0], 4, 2.9, 6, 20);
    for (let i = 0; i < 4; i++) {
      const angle2 = Math.PI * i / 2;
      const at = (along, side) => [
        20 + along * Math.cos(angle2) - side * Math.sin(angle2),
        20 + along * Math.sin(angle2) + side * Math.cos(angle2)
      ];
      builder.extrude([at(3.4, -1), at(9, -3.6), at(19, -3.2), at(19.6, 0), at(17, 2.6), at(3.4, 1.4)], 1, 2, 3.4);
    }
  }
});
var chain = () => {
  const links = Array.from({ length: 6 }, (_, i) => 4 + i * 5);
  return detail("chain", "Chain", {
    box: [40, 4, 4],
    bodies: [block(0, 0, 0, 40, 4, 4)],
    connectors: [
      { kind: "bar", at: [0, 2, 2], facing: PLUS_X, length: 4 },
      { kind: "bar", at: [40, 2, 2], facing: MINUS_X, length: 4 }
    ],
    outline: (builder) => {
      builder.round([0, 2, 2], [1, 0, 0], 2, 2, 4, 12);
      builder.round([36, 2, 2], [1, 0, 0], 2, 2, 4, 12);
      links.forEach(
        (x, i) => builder.tube([x + 2.6, 2 + (i % 2 === 0 ? 0 : 0.6), i % 2 === 0 ? 1.4 : 2], i % 2 === 0 ? UP : [0, -1, 0], 2, 1.1, 1.2, 12)
      );
    }
  });
};
var lamp = () => turned("lamp", "Lamp with a shade", 16, [
  [3.6, 0],
  [3.6, 1],
  [1, 1.4],
  [1, 8],
  [4.8, 8],
  [2.6, 16]
]);
var hook = () => detail("hook", "Hook", {
  box: [10, 4, 20],
  bodies: [round(block(3, 0, 12, 4, 4, 8)), block(0, 0, 0, 10, 4, 12)],
  connectors: [{ kind: "bar", at: [5, 2, 20], facing: MINUS_Z, length: 6 }],
  twin: "hook",
  reflection: [1, 0, 0, 0, -1, 0, 0, 0, 1],
  outline: (builder) => {
    builder.round([5, 2, 12], UP, 2, 2, 8, 12);
    builder.extrude(
      [
        [4, 12],
        [4, 9],
        [1.6, 7],
        [1, 4],
        [3, 1],
        [6, 0.4],
        [9, 2.4],
        [9.6, 6],
        [7.6, 6],
        [7, 3.4],
        [5, 2.6],
        [3.4, 4.4],
        [4, 6.4],
        [6, 8],
        [6, 12]
      ],
      1,
      0.8,
      3.2
    );
  }
});
var stone = () => detail("stone", "Stone", {
  box: [10, 10, 8],
  connectors: SOCKET,
  outline: (builder) => builder.lathe(
    [5, 5, 0],
    UP,
    [
      [4.9, 0],
      [4.9, 3],
      [3.4, 6.6],
      [1.4, 8]
    ],
    8
  )
});
var gem = () => detail("gem", "Gem", {
  box: [6, 6, 8],
  bodies: [round(block(1, 1, 0, 4, 4, 4)), block(0, 0, 4, 6, 6, 4)],
  connectors: [{ kind: "bar", at: [3, 3, 0], facing: PLUS_Z, length: 4 }],
  outline: (builder) => {
    builder.round([3, 3, 0], UP, 2, 2, 4, 12);
    builder.lathe(
      [3, 3, 4],
      UP,
      [
        [1.6, 0],
        [3, 1.6],
        [1.8, 4]
      ],
      8
    );
  }
});
var detailShapes = () => [
  grille(1),
  grille(2),
  turned("bush-round", "Round bush", 16, [
    [3, 0],
    [3, 2],
    [4.9, 5],
    [4.9, 9],
    [3.4, 13],
    [0, 16]
  ]),
  turned("tree-small", "Small tree", 40, [
    [1.6, 0],
    [1.6, 8],
    [5, 8],
    [3, 17],
    [4.4, 17],
    [2.4, 27],
    [3.4, 27],
    [0, 40]
  ]),
  turned("mushroom", "Mushroom", 10, [
    [2.6, 0],
    [2, 5],
    [4.9, 5],
    [4, 8],
    [0, 10]
  ]),
  turned("bottle", "Bottle", 20, [
    [3.4, 0],
    [3.6, 1],
    [3.6, 11],
    [1.6, 15],
    [1.6, 19],
    [2, 19],
    [2, 20]
  ]),
  turned("jar", "Jar", 14, [
    [3.4, 0],
    [4.4, 3],
    [4.4, 8],
    [3, 11],
    [3.4, 11],
    [3.4, 13],
    [1, 14]
  ]),
  turned("goblet", "Goblet", 12, [
    [3, 0],
    [3, 1],
    [1, 2],
    [1, 5],
    [3.4, 8],
    [3.6, 12]
  ]),
  turned(
    "barrel-small",
    "Small barrel",
    12,
    [
      [4, 0],
      [4.9, 4],
      [4.9, 8],
      [4, 12]
    ],
    {
      connectors: [...SOCKET, ...studsAt([[5, 5]], 12)]
    }
  ),
  mug(),
  antenna(),
  horn(),
  flame(),
  tap(),
  lever(),
  bucket(),
  propeller(),
  chain(),
  lamp(),
  hook(),
  stone(),
  gem()
];

// src/core/catalogue/families/figures.ts
var UP2 = [0, 0, 1];
var TORSO_WIDTH = 20;
var SHOULDER = 18;
function figure2(id2, title, recipe) {
  return makeShape({ id: id2, family: "figure", title, ...recipe });
}
var legs = () => figure2("figure-legs", "Figure legs", {
  box: [20, 10, 24],
  bodies: [block(0, 0, 0, 9, 10, 20), block(11, 0, 0, 9, 10, 20), block(0, 0, 20, 20, 10, 4)],
  connectors: [
    ...socketsAt([
      [5, 5],
      [15, 5]
    ]),
    { kind: "post", at: [10, 5, 24], facing: PLUS_Z }
  ],
  outline: (builder) => {
    for (const x of [0, 10.4]) {
      builder.box(block(x, 0, 0, 9.6, 10, 3));
      builder.box(block(x + 0.4, 1.5, 3, 8.8, 8, 14));
      builder.round([x + 0.2, 5.5, 18], [1, 0, 0], 4, 4, 9.2, 20);
    }
    builder.box(block(0.5, 1.5, 20, 19, 8, 4));
  }
});
var hips = () => figure2("figure-hips", "Figure hips", {
  box: [20, 10, 8],
  bodies: [block(0, 0, 4, 20, 10, 4), block(9, 2, 0, 2, 6, 4)],
  connectors: [
    { kind: "post", at: [10, 5, 8], facing: PLUS_Z },
    { kind: "ring", at: [9, 5, 2], facing: MINUS_X },
    { kind: "ring", at: [11, 5, 2], facing: PLUS_X }
  ],
  outline: (builder) => {
    builder.box(block(0, 1, 4, 20, 8, 4));
    builder.extrude(
      [
        [2, 4],
        [2, 2],
        [5, 0],
        [8, 2],
        [8, 4]
      ],
      0,
      9,
      11
    );
  }
});
function leg(hand2) {
  const isLeft = hand2 === "left";
  return figure2(`figure-leg-${hand2}`, `Figure leg, ${hand2}`, {
    box: [9, 10, 20],
    // Slim about its joint, so that it swings clear of the hips.
    bodies: [block(0, 0, 0, 9, 10, 12), { ...block(0, 3, 12, 9, 4, 8), round: true }],
    connectors: [
      ...socketsAt([[5 - (isLeft ? 1 : 0), 5]]),
      { kind: "post", at: [isLeft ? 0 : 9, 5, 18], facing: isLeft ? MINUS_X : PLUS_X }
    ],
    twin: `figure-leg-${isLeft ? "right" : "left"}`,
    reflection: LEFT_RIGHT,
    outline: (builder) => {
      builder.box(block(0, 0, 0, 9, 10, 3));
      builder.box(block(0.3, 1.5, 3, 8.4, 8, 13));
      builder.round([0, 5, 16], [1, 0, 0], 4, 4, 9, 20);
    }
  });
}
var torso = () => figure2("figure-torso", "Figure torso", {
  box: [TORSO_WIDTH, 10, 24],
  bodies: [block(0, 1, 0, 20, 8, 24)],
  connectors: [
    { kind: "ring", at: [10, 5, 0], facing: MINUS_Z },
    { kind: "post", at: [10, 5, 24], facing: PLUS_Z },
    { kind: "ring", at: [20, 5, SHOULDER], facing: PLUS_X },
    { kind: "ring", at: [0, 5, SHOULDER], facing: MINUS_X },
    { kind: "ring", at: [10, 9, 16], facing: PLUS_Y }
  ],
  outline: (builder) => {
    builder.extrude(
      [
        [0.6, 0],
        [19.4, 0],
        [18, 16],
        [17, 23],
        [3, 23],
        [2, 16]
      ],
      1,
      1,
      9
    );
    builder.round([0, 5, SHOULDER], [1, 0, 0], 3, 3, TORSO_WIDTH, 18);
    builder.round([10, 5, 23], UP2, 4, 3.4, 1, 20);
  }
});
function arm(hand2) {
  const isLeft = hand2 === "left";
  return figure2(`figure-arm-${hand2}`, `Figure arm, ${hand2}`, {
    box: [6, 8, 20],
    bodies: [block(0, 1, 0, 6, 6, 20)],
    connectors: [
      { kind: "post", at: [isLeft ? 0 : 6, 4, 17], facing: isLeft ? MINUS_X : PLUS_X },
      { kind: "ring", at: [3, 4, 0], facing: MINUS_Z }
    ],
    twin: `figure-arm-${isLeft ? "right" : "left"}`,
    reflection: LEFT_RIGHT,
    outline: (builder) => {
      builder.round([0, 4, 16], [1, 0, 0], 3.4, 3.4, 6, 18);
      builder.box(block(0.4, 1.4, 5, 5.2, 5.2, 11));
      builder.round([3, 4, 0], UP2, 2.4, 2.8, 5, 16);
    }
  });
}
var hand = () => figure2("figure-hand", "Figure hand", {
  box: [6, 6, 8],
  bodies: [block(0, 0, 6, 6, 6, 2), block(0, 0, 0, 1, 6, 6), block(5, 0, 0, 1, 6, 6)],
  connectors: [
    { kind: "post", at: [3, 3, 8], facing: PLUS_Z },
    { kind: "clip", at: [3, 3, 4], facing: MINUS_Z, along: MINUS_Y }
  ],
  outline: (builder) => {
    builder.round([3, 3, 6.6], UP2, 1.8, 1.8, 1.4, 14);
    builder.extrude(
      [
        [0, 0.6],
        [1, 0],
        [1, 3.6],
        [1.8, 5.6],
        [4.2, 5.6],
        [5, 3.6],
        [5, 0],
        [6, 0.6],
        [6, 5],
        [4.6, 7],
        [1.4, 7],
        [0, 5]
      ],
      1,
      0,
      6
    );
  }
});
var head = () => figure2("figure-head", "Figure head", {
  box: [12, 12, 12],
  connectors: [
    { kind: "ring", at: [6, 6, 0], facing: MINUS_Z },
    { kind: "post", at: [6, 6, 12], facing: PLUS_Z }
  ],
  outline: (builder) => {
    builder.lathe(
      [6, 6, 0],
      UP2,
      [
        [3.6, 0],
        [4, 1],
        [5.6, 2],
        [6, 3.4],
        [6, 9],
        [5.4, 10.6],
        [4, 11],
        [3, 11],
        [3, 12]
      ],
      28
    );
  }
});
var cape = () => figure2("figure-cape", "Figure cape", {
  box: [24, 2, 32],
  bodies: [block(0, 0, 10, 24, 2, 22), block(0, 1, 0, 24, 1, 10)],
  connectors: [{ kind: "post", at: [12, 0, 26], facing: MINUS_Y }],
  outline: (builder) => builder.extrude(
    [
      [0, 0],
      [6, 1],
      [12, 0],
      [18, 1],
      [24, 0],
      [18, 32],
      [6, 32]
    ],
    1,
    1,
    1.9
  )
});
var backpack = () => figure2("figure-backpack", "Figure backpack", {
  box: [14, 6, 16],
  connectors: [{ kind: "post", at: [7, 0, 10], facing: MINUS_Y }],
  outline: (builder) => {
    builder.box(block(0, 0, 0, 14, 5, 12));
    builder.extrude(
      [
        [0, 12],
        [5, 12],
        [4, 15.4],
        [1, 16],
        [0, 15]
      ],
      0,
      0,
      14
    );
    builder.box(block(4, 5, 2, 6, 1, 6));
  }
});
var figureShapes = () => [
  legs(),
  hips(),
  leg("left"),
  leg("right"),
  torso(),
  arm("left"),
  arm("right"),
  hand(),
  head(),
  cape(),
  backpack()
];

// src/core/catalogue/families/furniture.ts
var UP3 = [0, 0, 1];
var chest = () => detail("chest", "Chest", {
  box: [20, 10, 16],
  connectors: socketsAt(cellMiddles(2, 1)),
  outline: (builder) => {
    builder.box(block(0, 0.5, 0, 20, 9, 9));
    builder.extrude(
      [
        [0, 9],
        [10, 9],
        [10, 12],
        [8, 15],
        [5, 16],
        [2, 15],
        [0, 12]
      ],
      0,
      0,
      20
    );
    builder.box(block(8.6, -0, 7, 2.8, 0.5, 4));
  }
});
var chair = () => detail("chair", "Chair", {
  box: [20, 20, 24],
  bodies: [block(0, 0, 0, 20, 20, 8), block(0, 16, 8, 20, 4, 16), block(0, 4, 8, 2, 12, 6), block(18, 4, 8, 2, 12, 6)],
  connectors: [
    ...socketsAt(cellMiddles(2, 2)),
    ...studsAt(
      [
        [5, 5],
        [15, 5]
      ],
      8
    )
  ]
});
var table = () => detail("table-round", "Round table", {
  box: [20, 20, 16],
  bodies: [block(5, 5, 0, 10, 10, 13), block(0, 0, 13, 20, 20, 3)],
  connectors: socketsAt([[10, 10]]),
  outline: (builder) => {
    builder.round([10, 10, 0], UP3, 5, 4, 2, 20);
    builder.round([10, 10, 2], UP3, 2.4, 2.4, 11, 14);
    builder.round([10, 10, 13], UP3, 10, 10, 3, 32);
  }
});
var steering = () => detail("steering-wheel", "Steering wheel", {
  box: [20, 10, 16],
  bodies: [block(5, 0, 0, 10, 10, 4), block(7, 2, 4, 6, 6, 6), block(2, 0, 10, 16, 10, 6)],
  connectors: socketsAt([[10, 5]]),
  outline: (builder) => {
    builder.box(block(5, 0, 0, 10, 10, 3));
    builder.round([10, 6, 3], UP3, 1.6, 1.6, 9, 12);
    builder.tube([10, 5, 12], UP3, 5, 3.8, 1.6, 24);
    builder.box(block(6, 4.2, 12.2, 8, 1.6, 1.2));
  }
});
var furnitureShapes = () => [chest(), chair(), table(), steering()];

// src/core/catalogue/families/headwear.ts
var UP4 = [0, 0, 1];
function headwear({ id: id2, title, above, behind, beside, draw, brim = 0, hasPeak = false }) {
  const walls = [];
  if (behind > 0) walls.push(block(0, 13, -behind, 14, 1, behind));
  if (beside > 0) walls.push(block(0, 1, -beside, 1, 12, beside), block(13, 1, -beside, 1, 12, beside));
  if (hasPeak) walls.push(block(2, -2, -1, 10, 2, 2));
  const crown = block(0, 0, 0, 14, 14, above);
  const rim = brim > 0 ? carved(block(-brim, -brim, 0, 14 + 2 * brim, 14 + 2 * brim, 2), [crown]) : [];
  return makeShape({
    id: id2,
    family: "figure headwear",
    title,
    box: [14, 14, above],
    bodies: [crown, ...walls, ...rim],
    connectors: [{ kind: "ring", at: [7, 7, 0], facing: MINUS_Z }],
    outline: draw
  });
}
var MIDDLE = [7, 7, 0];
function shell(builder, from, to, low, high, outer = 7, inner = 6.1) {
  const points = (radius) => Array.from({ length: 13 }, (_, i) => {
    const angle2 = (from + (to - from) * i / 12) * Math.PI / 180;
    return [7 + radius * Math.cos(angle2), 7 + radius * Math.sin(angle2)];
  });
  builder.extrude([...points(outer), ...points(inner).reverse()], 2, low, high);
}
var bowl = (height, radius = 7) => [
  [radius, 0],
  [radius, height * 0.3],
  [radius * 0.86, height * 0.72],
  [radius * 0.5, height]
];
var headwearShapes = () => [
  headwear({
    id: "figure-hair-short",
    title: "Figure hair, short",
    above: 4,
    behind: 6,
    beside: 4,
    draw: (builder) => {
      builder.lathe(MIDDLE, UP4, bowl(4), 24);
      shell(builder, -10, 190, -4, 0);
      shell(builder, 30, 150, -6, -4);
    }
  }),
  headwear({
    id: "figure-hair-long",
    title: "Figure hair, long",
    above: 4,
    behind: 16,
    beside: 9,
    draw: (builder) => {
      builder.lathe(MIDDLE, UP4, bowl(4), 24);
      shell(builder, -20, 200, -9, 0);
      shell(builder, 20, 160, -16, -9);
    }
  }),
  headwear({
    id: "figure-hair-bun",
    title: "Figure hair with a bun",
    above: 10,
    behind: 6,
    beside: 4,
    draw: (builder) => {
      builder.lathe(MIDDLE, UP4, bowl(4), 24);
      shell(builder, -10, 190, -5, 0);
      builder.lathe(
        [7, 10, 3],
        UP4,
        [
          [1.4, 0],
          [3.2, 1.4],
          [3.4, 3.6],
          [2.4, 6],
          [0, 7]
        ],
        16
      );
    }
  }),
  headwear({
    id: "figure-hair-curly",
    title: "Figure hair, curly",
    above: 7,
    behind: 6,
    beside: 5,
    draw: (builder) => {
      shell(builder, -15, 195, -5, 1);
      for (let i = 0; i < 8; i++) {
        const angle2 = 2 * Math.PI * i / 8;
        builder.lathe(
          [7 + 4.2 * Math.cos(angle2), 7 + 4.2 * Math.sin(angle2), 0],
          UP4,
          [
            [1.6, 0],
            [2.7, 1.4],
            [2.7, 3.2],
            [1, 5]
          ],
          10
        );
      }
      builder.lathe(
        MIDDLE,
        UP4,
        [
          [4, 0],
          [4, 5],
          [2, 7]
        ],
        14
      );
    }
  }),
  headwear({
    id: "figure-hat-cap",
    title: "Figure cap",
    hasPeak: true,
    above: 5,
    behind: 2,
    beside: 2,
    draw: (builder) => {
      builder.lathe(MIDDLE, UP4, bowl(5), 24);
      shell(builder, 0, 360, -2, 0);
      builder.extrude(
        [
          [2, 1.6],
          [12, 1.6],
          [11, -1],
          [8.4, -2],
          [5.6, -2],
          [3, -1]
        ],
        2,
        -1,
        0.2
      );
    }
  }),
  headwear({
    id: "figure-hat-brim",
    title: "Figure hat with a brim",
    above: 8,
    behind: 0,
    beside: 0,
    brim: 3,
    draw: (builder) => builder.lathe(
      MIDDLE,
      UP4,
      [
        [9.8, 0],
        [9.8, 1],
        [6, 1.6],
        [5.6, 6.6],
        [4, 8]
      ],
      28
    )
  }),
  headwear({
    id: "figure-hat-pointed",
    title: "Figure hat, pointed",
    above: 22,
    behind: 0,
    beside: 0,
    brim: 2,
    draw: (builder) => builder.lathe(
      MIDDLE,
      UP4,
      [
        [8.8, 0],
        [8.8, 1],
        [6, 1.6],
        [0, 22]
      ],
      24
    )
  }),
  headwear({
    id: "figure-hat-helmet",
    title: "Figure helmet",
    above: 5,
    behind: 8,
    beside: 8,
    draw: (builder) => {
      builder.lathe(MIDDLE, UP4, bowl(5), 24);
      shell(builder, -35, 215, -8, 0);
    }
  }),
  headwear({
    id: "figure-hat-crown",
    title: "Figure crown",
    above: 7,
    behind: 0,
    beside: 0,
    draw: (builder) => {
      builder.tube([7, 7, 0], UP4, 6.6, 5.4, 3, 24);
      builder.round([7, 7, 0], UP4, 5.6, 5.6, 1, 24);
      for (let i = 0; i < 6; i++) {
        const angle2 = 2 * Math.PI * i / 6;
        builder.lathe(
          [7 + 5.5 * Math.cos(angle2), 7 + 5.5 * Math.sin(angle2), 2.6],
          UP4,
          [
            [1.4, 0],
            [0, 4.4]
          ],
          6
        );
      }
    }
  }),
  headwear({
    id: "figure-hat-hood",
    title: "Figure hood",
    above: 5,
    behind: 12,
    beside: 10,
    draw: (builder) => {
      builder.lathe(MIDDLE, UP4, bowl(5), 24);
      shell(builder, -50, 230, -10, 0);
      shell(builder, 40, 140, -12, -10);
    }
  }),
  headwear({
    id: "figure-hat-knit",
    title: "Figure knitted hat",
    above: 9,
    behind: 2,
    beside: 2,
    draw: (builder) => {
      shell(builder, 0, 360, -2, 1);
      builder.lathe(
        MIDDLE,
        UP4,
        [
          [6.6, 0],
          [6.2, 3],
          [4, 6],
          [1.6, 7]
        ],
        24
      );
      builder.lathe(
        [7, 7, 6.4],
        UP4,
        [
          [0.6, 0],
          [1.8, 1],
          [1.2, 2.4],
          [0, 2.6]
        ],
        12
      );
    }
  })
];

// src/core/catalogue/families/hinges.ts
var P2 = PLATE_HEIGHT;
var HINGE_OUT = 5;
var fork = (width, z) => ({
  bodies: [2, width - 6].map((x) => ({ ...block(x, -7, z - 2, 4, 7, 4), round: true })),
  connectors: [{ kind: "fork", at: [width / 2, -HINGE_OUT, z], facing: MINUS_Y, along: PLUS_X }],
  outline: (builder) => {
    for (const x of [2, width - 6]) {
      builder.box(block(x, -HINGE_OUT, z - 2, 4, HINGE_OUT, 4));
      builder.round([x, -HINGE_OUT, z], [1, 0, 0], 2, 2, 4, 16);
    }
  }
});
var tongue = (width, z) => ({
  bodies: [{ ...block(6, -7, z - 2, width - 12, 7, 4), round: true }],
  connectors: [{ kind: "tongue", at: [width / 2, -HINGE_OUT, z], facing: MINUS_Y, along: PLUS_X }],
  outline: (builder) => {
    builder.box(block(6, -HINGE_OUT, z - 2, width - 12, HINGE_OUT, 4));
    builder.round([6, -HINGE_OUT, z], [1, 0, 0], 2, 2, width - 12, 16);
  }
});
function turntableHalf(across, half) {
  const wide = across * 10;
  const cells = cellMiddles(across, across);
  const middle2 = wide / 2;
  return makeShape({
    id: `turntable-${across}x${across}-${half}`,
    family: "hinge",
    title: `Turntable ${across} \xD7 ${across}, ${half === "base" ? "lower half" : "upper half"}`,
    box: [wide, wide, P2],
    connectors: half === "base" ? [...socketsAt(cells), { kind: "post", at: [middle2, middle2, P2], facing: PLUS_Z }] : [...studsAt(cells, P2), { kind: "ring", at: [middle2, middle2, 0], facing: MINUS_Z }],
    outline: (builder) => {
      if (half === "base") {
        builder.box(block(0, 0, 0, wide, wide, P2 - 1));
        builder.round([middle2, middle2, P2 - 1], [0, 0, 1], middle2 - 1, middle2 - 1, 1, 32);
      } else {
        builder.round([middle2, middle2, 0], [0, 0, 1], middle2 - 1, middle2 - 1, 1, 32);
        builder.box(block(0, 0, 1, wide, wide, P2 - 1));
      }
    }
  });
}
function turntable() {
  const cells = cellMiddles(2, 2);
  return makeShape({
    id: "turntable-2x2",
    family: "hinge",
    title: "Turntable 2 \xD7 2, both halves",
    box: [20, 20, P2],
    connectors: [...studsAt(cells, P2), ...socketsAt(cells)],
    outline: (builder) => {
      builder.box(block(0, 0, 0, 20, 20, 1));
      builder.round([10, 10, 1], [0, 0, 1], 9, 9, 1, 32);
      builder.box(block(0, 0, 2, 20, 20, 2));
    }
  });
}
var hingeShapes = () => [
  withAdded("hinge-plate-1x2-fork", "hinge", "Hinge plate 1 \xD7 2 with a fork", plate(2, 1, P2), [fork(20, 2)]),
  withAdded("hinge-plate-1x2-tongue", "hinge", "Hinge plate 1 \xD7 2 with a tongue", plate(2, 1, P2), [tongue(20, 2)]),
  withAdded("hinge-plate-2x2-fork", "hinge", "Hinge plate 2 \xD7 2 with a fork", plate(2, 2, P2), [fork(20, 2)]),
  withAdded("hinge-plate-2x2-tongue", "hinge", "Hinge plate 2 \xD7 2 with a tongue", plate(2, 2, P2), [tongue(20, 2)]),
  withAdded("hinge-brick-1x2-fork", "hinge", "Hinge brick 1 \xD7 2 with a fork", plate(2, 1, BRICK_HEIGHT), [fork(20, 6)]),
  withAdded("hinge-brick-1x2-tongue", "hinge", "Hinge brick 1 \xD7 2 with a tongue", plate(2, 1, BRICK_HEIGHT), [tongue(20, 6)]),
  turntable(),
  turntableHalf(2, "base"),
  turntableHalf(2, "top"),
  turntableHalf(4, "base"),
  turntableHalf(4, "top")
];
var BALL = 8;
var ball = (x, z) => ({
  bodies: [block(x - 2, -2, z - 2, 4, 2, 4), { ...block(x - 4, -10, z - 4, BALL, BALL, BALL), round: true }],
  connectors: [{ kind: "ball", at: [x, -6, z], facing: MINUS_Y }],
  outline: (builder) => {
    builder.round([x, 0, z], [0, -1, 0], 2, 2, 4, 12);
    builder.lathe([x, -10, z], [0, 1, 0], BALL_RINGS, 20);
  }
});
var BALL_RINGS = Array.from({ length: 9 }, (_, i) => {
  const angle2 = Math.PI * i / 8;
  return [i === 0 || i === 8 ? 0 : 4 * Math.sin(angle2), 4 - 4 * Math.cos(angle2)];
});
var cup = (x, z) => ({
  bodies: [block(x - 6, -2, z - 4, 12, 2, 8), block(x - 6, -9, z - 3, 2, 7, 6), block(x + 4, -9, z - 3, 2, 7, 6)],
  connectors: [{ kind: "cup", at: [x, -6, z], facing: MINUS_Y }]
});
var upBall = (x, y, z) => ({
  bodies: [block(x - 2, y - 2, z, 4, 4, 2), { ...block(x - 4, y - 4, z + 2, BALL, BALL, BALL), round: true }],
  connectors: [{ kind: "ball", at: [x, y, z + 6], facing: PLUS_Z }],
  outline: (builder) => {
    builder.round([x, y, z], [0, 0, 1], 2, 2, 4, 12);
    builder.lathe([x, y, z + 2], [0, 0, 1], BALL_RINGS, 20);
  }
});
var FAMILY2 = "ball";
var ballShapes = () => [
  withAdded("plate-1x2-ball", FAMILY2, "Plate 1 \xD7 2 with a ball", plate(2, 1, P2), [ball(10, 2)]),
  withAdded("plate-1x2-cup", FAMILY2, "Plate 1 \xD7 2 with a cup", plate(2, 1, P2), [cup(10, 2)]),
  withAdded("plate-2x2-ball", FAMILY2, "Plate 2 \xD7 2 with a ball", plate(2, 2, P2), [ball(10, 2)]),
  withAdded("plate-2x2-cup", FAMILY2, "Plate 2 \xD7 2 with a cup", plate(2, 2, P2), [cup(10, 2)]),
  withAdded("plate-1x1-ball-up", FAMILY2, "Plate 1 \xD7 1 with a ball on top", plate(1, 1, P2, false), [upBall(5, 5, P2)]),
  withAdded("brick-1x1-ball", FAMILY2, "Brick 1 \xD7 1 with a ball", plate(1, 1, BRICK_HEIGHT), [ball(5, 6)]),
  withAdded("brick-1x2-cup", FAMILY2, "Brick 1 \xD7 2 with a cup", plate(2, 1, BRICK_HEIGHT), [cup(10, 6)]),
  withAdded("brick-2x2-ball", FAMILY2, "Brick 2 \xD7 2 with a ball", plate(2, 2, BRICK_HEIGHT), [ball(10, 6)]),
  withAdded("brick-2x2-cup", FAMILY2, "Brick 2 \xD7 2 with a cup", plate(2, 2, BRICK_HEIGHT), [cup(10, 6)])
];

// src/core/catalogue/families/openings.ts
function frame(options) {
  const { columns: columns2, height, side, sill, head: head2 } = options;
  const box = [columns2 * STUD_PITCH, STUD_PITCH, height];
  const hole = block(side, 0, sill, box[0] - 2 * side, 10, height - sill - head2);
  const posts = (options.posts ?? []).map((x) => block(x - 1, 4, sill, 2, 2, height - sill - head2));
  const rails = (options.rails ?? []).flatMap((z) => carved(block(side, 4, z - 1, box[0] - 2 * side, 2, 2), posts));
  const bars = [...rails, ...posts];
  const cells = cellMiddles(columns2, 1);
  return makeShape({
    id: options.id,
    family: options.family,
    title: options.title,
    box,
    bodies: [...carved(block(0, 0, 0, ...box), [hole]), ...bars],
    connectors: [...studsAt(cells, height), ...socketsAt(sill > 0 ? cells : cells.filter(([x]) => x < side || x > box[0] - side))],
    outline: (builder) => {
      const whole = rectangle(0, 0, box[0], height);
      const inner = cornersOf2(rectangle(hole.min[0], hole.min[2], hole.max[0], hole.max[2]));
      if (sill > 0) builder.perforated(cornersOf2(whole), [{ cell: cornersOf2(whole), hole: inner }], 1, 0, 10);
      else {
        const outline = [
          [0, 0],
          [side, 0],
          [side, height - head2],
          [box[0] - side, height - head2],
          [box[0] - side, 0],
          [box[0], 0],
          [box[0], height],
          [0, height]
        ];
        builder.extrude(outline, 1, 0, 10);
      }
      for (const bar2 of bars) builder.box(bar2);
    }
  });
}
function window(size2, height, rails, posts) {
  const [, columns2] = parseSize(size2);
  const tall = height / BRICK_HEIGHT;
  return frame({
    id: `window-${size2}-tall${tall}`,
    family: "window",
    title: `Window ${sizeTitle(size2)}, ${tall} high`,
    columns: columns2,
    height,
    side: 2,
    sill: 3,
    head: 3,
    rails,
    posts
  });
}
var door = (columns2, tall) => frame({
  id: `door-1x${columns2}-tall${tall}`,
  family: "door",
  title: `Door frame 1 \xD7 ${columns2}, ${tall} high`,
  columns: columns2,
  height: tall * BRICK_HEIGHT,
  side: 3,
  sill: 2,
  head: 3
});
function arch(columns2, tall) {
  const width = columns2 * STUD_PITCH;
  const height = tall * BRICK_HEIGHT;
  const radius = (width - 20) / 2;
  const rise = height - 3;
  const squash = Math.min(1, rise / radius);
  const opening = arc([0, 0], radius, 180, 0, 12).map(([u, v]) => [width / 2 + u, v * squash]);
  const cells = cellMiddles(columns2, 1);
  const steps2 = archSteps(width, radius, squash);
  return makeShape({
    id: `arch-1x${columns2}${tall > 1 ? `-tall${tall}` : ""}`,
    family: "arch",
    title: `Arch 1 \xD7 ${columns2}${tall > 1 ? `, ${tall} high` : ""}`,
    box: [width, STUD_PITCH, height],
    bodies: carved(block(0, 0, 0, width, 10, height), steps2),
    connectors: [...studsAt(cells, height), ...socketsAt(cells.filter(([x]) => x < 10 || x > width - 10))],
    outline: (builder) => builder.extrude([[0, 0], ...opening, [width, 0], [width, height], [0, height]], 1, 0, 10)
  });
}
function archSteps(width, radius, squash) {
  return [0.3, 0.6, 0.8, 0.95].flatMap((share2) => {
    const half = Math.floor(radius * share2);
    const high = Math.floor(Math.sqrt(radius ** 2 - half ** 2) * squash);
    return high > 0 ? [block(width / 2 - half, 0, 0, 2 * half, 10, high)] : [];
  });
}
function panel(columns2, tall) {
  const width = columns2 * STUD_PITCH;
  const height = tall * BRICK_HEIGHT;
  const isHigh = tall > 1;
  const cells = cellMiddles(columns2, 1);
  return makeShape({
    id: `panel-1x${columns2}${isHigh ? `-tall${tall}` : ""}`,
    family: "panel",
    title: `Panel 1 \xD7 ${columns2}${isHigh ? `, ${tall} high` : ""}`,
    box: [width, 10, height],
    bodies: [
      block(0, 0, 0, width, 10, 3),
      block(0, 8, 3, width, 2, isHigh ? height - 6 : height - 3),
      ...isHigh ? [block(0, 0, height - 3, width, 10, 3)] : []
    ],
    connectors: [...isHigh ? studsAt(cells, height) : [], ...socketsAt(cells)],
    outline: (builder) => {
      const side = isHigh ? [
        [0, 0],
        [10, 0],
        [10, height],
        [0, height],
        [0, height - 3],
        [8, height - 3],
        [8, 3],
        [0, 3]
      ] : [
        [0, 0],
        [10, 0],
        [10, height],
        [8, height],
        [8, 3],
        [0, 3]
      ];
      builder.extrude(side, 0, 0, width);
    }
  });
}
function cornerPanel() {
  return makeShape({
    id: "panel-corner-1x1",
    family: "panel",
    title: "Corner panel 1 \xD7 1",
    box: [10, 10, BRICK_HEIGHT],
    bodies: [block(0, 0, 0, 10, 10, 3), block(0, 8, 3, 10, 2, 9), block(8, 0, 3, 2, 8, 9)],
    connectors: socketsAt(cellMiddles(1, 1)),
    reflection: [0, 1, 0, 1, 0, 0, 0, 0, 1]
  });
}
function fence(columns2) {
  const width = columns2 * STUD_PITCH;
  const cells = cellMiddles(columns2, 1);
  const pales = Array.from({ length: columns2 * 2 }, (_, i) => block(i * 5 + 2 - i % 2, 4, 4, 2, 2, 16));
  return makeShape({
    id: `fence-1x${columns2}`,
    family: "fence",
    title: `Fence 1 \xD7 ${columns2}`,
    box: [width, 10, 24],
    bodies: [block(0, 0, 0, width, 10, 4), ...pales, block(0, 2, 20, width, 6, 4)],
    connectors: socketsAt(cells)
  });
}
function lattice2() {
  const [width, height] = [40, 24];
  const hole = block(3, 0, 3, width - 6, 10, height - 6);
  const whole = rectangle(0, 0, width, height);
  const inner = rectangle(3, 3, width - 3, height - 3);
  return makeShape({
    id: "lattice-1x4",
    family: "fence",
    title: "Lattice 1 \xD7 4",
    box: [width, 10, height],
    bodies: [...carved(block(0, 0, 0, width, 10, height), [hole]), block(3, 4, 3, width - 6, 2, height - 6)],
    connectors: [...studsAt(cellMiddles(4, 1), height), ...socketsAt(cellMiddles(4, 1))],
    outline: (builder) => {
      builder.perforated(cornersOf2(whole), [{ cell: cornersOf2(whole), hole: cornersOf2(inner) }], 1, 0, 10);
      for (let i = -1; i < 4; i++) {
        for (const lean of [1, -1]) {
          const foot = 8 + i * 9;
          const band2 = [
            [foot - 1.2, 3],
            [foot + 1.2, 3],
            [foot + 1.2 + 18 * 0.5, 21],
            [foot - 1.2 + 18 * 0.5, 21]
          ];
          const shown = lean > 0 ? band2 : band2.map(([x, z]) => [width - x, z]);
          if (shown.every(([x]) => x > 2 && x < width - 2)) builder.extrude(shown, 1, lean > 0 ? 3.4 : 4.6, lean > 0 ? 4.6 : 5.8);
        }
      }
    }
  });
}
function ladder() {
  const rungs = [6, 18, 30, 42, 54];
  return makeShape({
    id: "ladder",
    family: "detail",
    title: "Ladder",
    box: [20, 4, 60],
    bodies: [block(0, 0, 0, 3, 4, 60), block(17, 0, 0, 3, 4, 60), ...rungs.map((z) => block(3, 0, z - 2, 14, 4, 4))],
    connectors: rungs.map((z) => ({ kind: "bar", at: [4, 2, z], facing: PLUS_X, length: 12 })),
    outline: (builder) => {
      for (const x of [0, 17]) builder.box(block(x, 0, 0, 3, 4, 60));
      for (const z of rungs) builder.round([3, 2, z], [1, 0, 0], 1.6, 1.6, 14, 12);
    }
  });
}
var openingShapes = () => [
  window("1x2", 24, [12], []),
  window("1x2", 36, [18], []),
  window("1x3", 36, [18], [15]),
  window("1x4", 36, [18], [20]),
  window("1x4", 60, [20, 40], [20]),
  door(4, 6),
  door(3, 6),
  arch(3, 1),
  arch(4, 1),
  arch(6, 1),
  arch(4, 2),
  arch(6, 2),
  arch(8, 2),
  panel(1, 1),
  panel(2, 1),
  panel(3, 1),
  panel(4, 1),
  panel(2, 2),
  panel(4, 3),
  cornerPanel(),
  fence(2),
  fence(4),
  lattice2(),
  ladder()
];

// src/core/catalogue/families/plants.ts
var UP5 = [0, 0, 1];
var SOCKET2 = socketsAt([[5, 5]]);
function blades(builder, middle2, count, reach2, half, thick) {
  for (let i = 0; i < count; i++) {
    const angle2 = 2 * Math.PI * (i + 0.5) / count;
    const at = (along, side) => [
      middle2[0] + along * Math.cos(angle2) - side * Math.sin(angle2),
      middle2[1] + along * Math.sin(angle2) + side * Math.cos(angle2)
    ];
    builder.extrude([at(1, 0), at(reach2 * 0.55, -half), at(reach2, 0), at(reach2 * 0.55, half)], 2, middle2[2], middle2[2] + thick);
  }
}
var flower = () => detail("flower", "Flower", {
  box: [10, 10, 4],
  connectors: [...SOCKET2, ...studsAt([[5, 5]], 4)],
  outline: (builder) => {
    builder.round([5, 5, 0], UP5, 3, 3, 4, 16);
    blades(builder, [5, 5, 1], 5, 5, 2, 1.6);
  }
});
var leaf = () => detail("leaf", "Leaves", {
  box: [20, 20, 4],
  bodies: [
    block(5, 5, 0, 10, 10, 4),
    block(0, 5, 0, 5, 10, 2),
    block(15, 5, 0, 5, 10, 2),
    block(5, 0, 0, 10, 5, 2),
    block(5, 15, 0, 10, 5, 2)
  ],
  connectors: [...socketsAt([[10, 10]]), ...studsAt([[10, 10]], 4)],
  outline: (builder) => {
    builder.round([10, 10, 0], UP5, 4, 4, 4, 16);
    blades(builder, [10, 10, 0.5], 4, 11, 4, 1.2);
  }
});
var stem = () => detail("stem", "Stem", {
  box: [10, 10, 28],
  bodies: [block(0, 0, 0, 10, 10, 4), round(block(3, 3, 4, 4, 4, 24))],
  connectors: [...SOCKET2, { kind: "bar", at: [5, 5, 6], facing: PLUS_Z, length: 22 }],
  outline: (builder) => {
    builder.round([5, 5, 0], UP5, 5, 4, 4, 20);
    builder.round([5, 5, 4], UP5, 2, 2, 24, 12);
    for (const [z, side] of [
      [10, 1],
      [18, -1]
    ])
      builder.extrude(
        [
          [5, z],
          [5 + side * 4.6, z + 4],
          [5 + side * 4, z + 6],
          [5, z + 3]
        ],
        1,
        4.4,
        5.6
      );
  }
});
var plantShapes = () => [stem(), leaf(), flower()];

// src/core/catalogue/families/plates.ts
var words = (text) => text.trim().split(/\s+/);
var BRICKS = words("1x1 1x2 1x3 1x4 1x6 1x8 1x10 1x12 1x16 2x2 2x3 2x4 2x6 2x8 2x10 2x12 4x4 4x6 4x8 4x10 4x12 8x8");
var TALL_BRICKS = [
  ["1x1", 3],
  ["1x1", 5],
  ["1x2", 2],
  ["1x2", 3],
  ["1x2", 5],
  ["1x3", 5],
  ["1x4", 3],
  ["1x4", 5],
  ["1x6", 5],
  ["2x2", 3]
];
var PLATES = words(`1x1 1x2 1x3 1x4 1x5 1x6 1x8 1x10 1x12 2x2 2x3 2x4 2x6 2x8 2x10 2x12 2x14 2x16 3x3 4x4 4x6 4x8 4x10 4x12
  6x6 6x8 6x10 6x12 6x14 6x16 6x24 8x8 8x10 8x12 8x16 12x12 12x16 16x16`);
var BASES = words("8x16 16x16 16x32 32x32 48x48");
var TILES = words("1x1 1x2 1x3 1x4 1x5 1x6 1x8 2x2 2x3 2x4 2x6 2x8 3x3 3x4 4x4 4x6 6x6 8x8 8x16");
var BASE_HEIGHT = 2;
function rectangle2(size2, height) {
  const [rows2, columns2] = parseSize(size2);
  return { box: [columns2 * STUD_PITCH, rows2 * STUD_PITCH, height], cells: cellMiddles(columns2, rows2) };
}
function studded(id2, family, title, size2, height) {
  const { box, cells } = rectangle2(size2, height);
  return makeShape({ id: id2, family, title, box, connectors: [...studsAt(cells, height), ...socketsAt(cells)] });
}
function groovedBox(box) {
  return (builder) => {
    builder.box(boxAt([0, 0, 0], [box[0], box[1], 1]));
    builder.box({ min: [0, 0, 1], max: box });
  };
}
var CORNER_CELLS = [
  [5, 5],
  [5, 15],
  [15, 15]
];
var CORNER_BODIES = [boxAt([0, 0, 0], [10, 20, 4]), boxAt([10, 10, 0], [10, 10, 4])];
function corner3(id2, family, title, hasStuds) {
  const outline = (bottom) => [
    [0, 0, bottom],
    [10, 0, bottom],
    [10, 10, bottom],
    [20, 10, bottom],
    [20, 20, bottom],
    [0, 20, bottom]
  ];
  const layer = (builder, bottom, height) => {
    const o = outline(bottom);
    builder.prism(
      [
        [o[0], o[1], o[2], [0, 10, bottom]],
        [[0, 10, bottom], o[3], o[4], o[5]]
      ],
      o,
      [0, 0, height]
    );
  };
  return makeShape({
    id: id2,
    family,
    title,
    box: [20, 20, PLATE_HEIGHT],
    bodies: CORNER_BODIES,
    connectors: [...hasStuds ? studsAt(CORNER_CELLS, PLATE_HEIGHT) : [], ...socketsAt(CORNER_CELLS)],
    reflection: CORNER_DIAGONAL,
    outline: (builder) => {
      if (hasStuds) layer(builder, 0, PLATE_HEIGHT);
      else {
        layer(builder, 0, 1);
        layer(builder, 1, PLATE_HEIGHT - 1);
      }
    }
  });
}
function jumper(size2) {
  const { box, cells } = rectangle2(size2, PLATE_HEIGHT);
  return makeShape({
    id: `jumper-${size2}`,
    family: "jumper",
    title: `Jumper ${sizeTitle(size2)}`,
    box,
    connectors: [
      ...studsAt(
        box[0] === 40 ? [
          [10, box[1] / 2],
          [30, box[1] / 2]
        ] : [[box[0] / 2, box[1] / 2]],
        PLATE_HEIGHT
      ),
      ...socketsAt(cells)
    ],
    outline: groovedBox(box)
  });
}
function tile(size2) {
  const { box, cells } = rectangle2(size2, PLATE_HEIGHT);
  const recipe = {
    id: `tile-${size2}`,
    family: "tile",
    title: `Tile ${sizeTitle(size2)}`,
    box,
    connectors: socketsAt(cells),
    outline: groovedBox(box)
  };
  return makeShape(recipe);
}
function halfTile() {
  const { box, cells } = rectangle2("2x2", PLATE_HEIGHT);
  const back = cells.filter(([, y]) => y > 10);
  return makeShape({
    id: "half-tile-2x2",
    family: "half tile",
    title: "Half tile 2 \xD7 2",
    box,
    connectors: [...studsAt(back, PLATE_HEIGHT), ...socketsAt(cells)],
    outline: groovedBox(box)
  });
}
function base(size2) {
  const { box, cells } = rectangle2(size2, BASE_HEIGHT);
  return makeShape({
    id: `base-${size2}`,
    family: "base plate",
    title: `Base plate ${sizeTitle(size2)}`,
    box,
    connectors: studsAt(cells, BASE_HEIGHT)
  });
}
function largeCorner(family, across) {
  const wide = across * STUD_PITCH;
  return ell({
    id: `${family}-corner-${across}x${across}`,
    family: family === "plate" ? "corner plate" : "tile",
    title: `Corner ${family} ${across} \xD7 ${across}`,
    across: wide,
    leg: across > 3 ? 20 : 10,
    height: PLATE_HEIGHT,
    hasStuds: family === "plate"
  });
}
var cornerBrick = () => ell({ id: "brick-corner-2x2", family: "brick", title: "Corner brick 2 \xD7 2", across: 20, leg: 10, height: BRICK_HEIGHT, hasStuds: true });
function ell({ id: id2, family, title, across, leg: leg2, height, hasStuds }) {
  const count = across / STUD_PITCH;
  const cells = cellMiddles(count, count).filter(([x, y]) => x < leg2 || y > across - leg2);
  return makeShape({
    id: id2,
    family,
    title,
    box: [across, across, height],
    bodies: [boxAt([0, 0, 0], [leg2, across, height]), boxAt([leg2, across - leg2, 0], [across - leg2, leg2, height])],
    connectors: [...hasStuds ? studsAt(cells, height) : [], ...socketsAt(cells)],
    reflection: CORNER_DIAGONAL,
    outline: (builder) => builder.extrude(
      [
        [0, 0],
        [leg2, 0],
        [leg2, across - leg2],
        [across, across - leg2],
        [across, across],
        [0, across]
      ],
      2,
      0,
      height
    )
  });
}
var rectangularShapes = () => [
  ...BRICKS.map((size2) => studded(`brick-${size2}`, "brick", `Brick ${sizeTitle(size2)}`, size2, BRICK_HEIGHT)),
  ...TALL_BRICKS.map(
    ([size2, tall]) => studded(`brick-${size2}-tall${tall}`, "tall brick", `Tall brick ${sizeTitle(size2)}, ${tall} high`, size2, BRICK_HEIGHT * tall)
  ),
  ...PLATES.map((size2) => studded(`plate-${size2}`, "plate", `Plate ${sizeTitle(size2)}`, size2, PLATE_HEIGHT)),
  corner3("plate-corner-2x2", "corner plate", "Corner plate 2 \xD7 2", true),
  ...BASES.map(base),
  ...TILES.map(tile),
  corner3("tile-corner-2x2", "tile", "Corner tile 2 \xD7 2", false),
  jumper("1x2"),
  jumper("1x3"),
  jumper("2x2"),
  jumper("2x4"),
  halfTile(),
  ...[3, 4].map((across) => largeCorner("plate", across)),
  ...[3].map((across) => largeCorner("tile", across)),
  cornerBrick()
];

// src/core/catalogue/families/rounds.ts
var UP6 = [0, 0, 1];
function round2(options) {
  const across = options.cellsAcross * STUD_PITCH;
  const radius = across / 2;
  return makeShape({
    id: options.id,
    family: options.family,
    title: options.title,
    box: [across, across, options.height],
    ...options.cellsAcross < 4 ? {} : { bodies: discBodies(across, options.height) },
    connectors: [...studsAt(options.studs, options.height), ...socketsAt(options.sockets)],
    outline: (builder) => {
      const sides2 = 16 + 8 * options.cellsAcross;
      builder.round([radius, radius, 0], UP6, radius, options.topRadius ?? radius, options.height, sides2);
    }
  });
}
function cellsInRound(across) {
  const radius = across * STUD_PITCH / 2;
  const reach2 = (edge) => Math.abs(edge - radius) + 3;
  return cellMiddles(across, across).filter(([x, y]) => across < 3 || Math.hypot(reach2(x), reach2(y)) <= radius + 2);
}
function roundPlate(size2) {
  const [across] = parseSize(size2);
  const cells = cellsInRound(across);
  return round2({
    id: `round-plate-${size2}`,
    family: "round plate",
    title: `Round plate ${sizeTitle(size2)}`,
    cellsAcross: across,
    height: PLATE_HEIGHT,
    studs: cells,
    sockets: cells
  });
}
function roundTile(size2) {
  const [across] = parseSize(size2);
  return round2({
    id: `round-tile-${size2}`,
    family: "round tile",
    title: `Round tile ${sizeTitle(size2)}`,
    cellsAcross: across,
    height: PLATE_HEIGHT,
    studs: [],
    sockets: cellsInRound(across)
  });
}
function roundBrick(size2) {
  const [across] = parseSize(size2);
  const cells = cellsInRound(across);
  return round2({
    id: `round-brick-${size2}`,
    family: "round brick",
    title: `Round brick ${sizeTitle(size2)}`,
    cellsAcross: across,
    height: BRICK_HEIGHT,
    studs: cells,
    sockets: cells
  });
}
function cone(id2, title, across, height) {
  const middle2 = across * STUD_PITCH / 2;
  return round2({
    id: id2,
    family: "cone",
    title,
    cellsAcross: across,
    height,
    studs: [[middle2, middle2]],
    sockets: cellsInRound(across),
    topRadius: 3.6
  });
}
function quarter(family, across) {
  const wide = across * STUD_PITCH;
  const height = family === "brick" ? BRICK_HEIGHT : PLATE_HEIGHT;
  const outline = [[0, wide], ...arc([0, wide], wide, -90, 0, 4 + 4 * across)];
  const inside = cellMiddles(across, across).filter(([x, y]) => Math.hypot(x + 3, wide - y + 3) <= wide);
  const cells = across === 1 ? [[5, 5]] : inside;
  return makeShape({
    id: `quarter-${family}-${across}x${across}`,
    family: `round ${family}`,
    title: `Quarter ${family} ${across} \xD7 ${across}`,
    box: [wide, wide, height],
    ...across === 1 ? {} : { bodies: quarterBodies(wide, height) },
    connectors: [...family === "tile" ? [] : studsAt(cells, height), ...socketsAt(cells)],
    reflection: CORNER_DIAGONAL,
    outline: (builder) => builder.extrude(outline, 2, 0, height, true)
  });
}
function quarterBodies(wide, height) {
  return Array.from({ length: wide / STUD_PITCH }, (_, i) => {
    const far = STUD_PITCH * Math.ceil(Math.sqrt(wide ** 2 - (i * STUD_PITCH) ** 2) / STUD_PITCH);
    return boxAt([i * STUD_PITCH, wide - far, 0], [STUD_PITCH, far, height]);
  });
}
function discBodies(across, height) {
  const radius = across / 2;
  return Array.from({ length: across / STUD_PITCH }, (_, i) => {
    const [left, right] = [i * STUD_PITCH - radius, (i + 1) * STUD_PITCH - radius];
    const nearest = left * right < 0 ? 0 : Math.min(Math.abs(left), Math.abs(right));
    const half = Math.ceil(Math.sqrt(radius ** 2 - nearest ** 2));
    return boxAt([i * STUD_PITCH, radius - half, 0], [STUD_PITCH, 2 * half, height]);
  });
}
function dome(across, height) {
  const radius = across * STUD_PITCH / 2;
  const foot = 4;
  const rings = [
    [radius, 0],
    [radius, foot],
    ...arc([0, foot], 1, 0, 78, 6).slice(1).map(([u, v]) => [u * radius, foot + (v - foot) * (height - foot)])
  ];
  return makeShape({
    id: `dome-${across}x${across}`,
    family: "dome",
    title: `Dome ${across} \xD7 ${across}`,
    box: [2 * radius, 2 * radius, height],
    connectors: [...studsAt([[radius, radius]], height), ...socketsAt(cellMiddles(across, across))],
    outline: (builder) => builder.lathe([radius, radius, 0], UP6, [...rings, [3.2, height]], 16 + 6 * across)
  });
}
var roundShapes = () => [
  roundPlate("1x1"),
  roundPlate("2x2"),
  ...["4x4", "6x6", "8x8"].map(roundPlate),
  ...["1x1", "2x2", "3x3", "4x4", "6x6"].map(roundTile),
  ...[1, 2, 3, 4].map((across) => quarter("tile", across)),
  ...[2, 3, 4, 6].map((across) => quarter("plate", across)),
  ...[2, 3, 4].map((across) => quarter("brick", across)),
  ...["1x1", "2x2", "4x4"].map(roundBrick),
  dome(2, 16),
  dome(4, 28),
  cone("cone-1x1", "Cone 1 \xD7 1", 1, BRICK_HEIGHT),
  cone("cone-1x1-tall2", "Cone 1 \xD7 1, 2 high", 1, 2 * BRICK_HEIGHT),
  cone("cone-2x2-tall2", "Cone 2 \xD7 2, 2 high", 2, 2 * BRICK_HEIGHT),
  cone("cone-3x3-tall2", "Cone 3 \xD7 3, 2 high", 3, 2 * BRICK_HEIGHT),
  cone("cone-4x4-tall2", "Cone 4 \xD7 4, 2 high", 4, 2 * BRICK_HEIGHT)
];

// src/core/catalogue/families/sideways.ts
function sidePlace(box, facing, height, cell) {
  if (facing === PLUS_X) return [box[0], 5, height];
  if (facing === MINUS_X) return [0, 5, height];
  return [cell * STUD_PITCH + 5, facing === PLUS_Y ? box[1] : 0, height];
}
function sideStuds(box, sides2, heights) {
  const studs = [];
  for (const facing of sides2) {
    const cells = facing === MINUS_Y || facing === PLUS_Y ? box[0] / STUD_PITCH : 1;
    for (const height of heights)
      for (let cell = 0; cell < cells; cell++) studs.push(sideStud(sidePlace(box, facing, height, cell), facing));
  }
  return studs;
}
function sideStudBrick(options) {
  const height = options.height ?? BRICK_HEIGHT;
  const box = [options.columns * STUD_PITCH, STUD_PITCH, height];
  const cells = cellMiddles(options.columns, 1);
  return makeShape({
    id: options.id,
    family: height === BRICK_HEIGHT ? "side-stud brick" : "tall side-stud brick",
    title: options.title,
    box,
    connectors: [...studsAt(cells, height), ...socketsAt(cells), ...sideStuds(box, options.sides, options.heights ?? [BRICK_HEIGHT / 2])],
    ...options.isCorner ? { reflection: CORNER_DIAGONAL } : {}
  });
}
function bracket(size2, wallSize, way) {
  const [rows2, columns2] = parseSize(size2);
  const [wallRows, wallColumns] = parseSize(wallSize);
  const width = columns2 * STUD_PITCH;
  const wallWidth = wallColumns * STUD_PITCH;
  const left = (width - wallWidth) / 2;
  const wallHeight = wallRows * STUD_PITCH;
  const bottom = way === "up" ? 0 : PLATE_HEIGHT - wallHeight;
  const wall = boxAt([left, -WALL_THICKNESS, bottom], [wallWidth, WALL_THICKNESS, wallHeight]);
  const cells = cellMiddles(columns2, rows2);
  const wallStuds = Array.from({ length: wallRows }, (_r, row) => row).flatMap(
    (row) => Array.from(
      { length: wallColumns },
      (_, i) => sideStud([left + i * STUD_PITCH + 5, -WALL_THICKNESS, bottom + row * STUD_PITCH + 5], MINUS_Y)
    )
  );
  return makeShape({
    id: `bracket-${size2}-${wallSize}-${way}`,
    family: "bracket",
    title: `Bracket ${sizeTitle(size2)} with a ${sizeTitle(wallSize)} wall ${way}`,
    box: [width, rows2 * STUD_PITCH, PLATE_HEIGHT],
    bodies: [boxAt([0, 0, 0], [width, rows2 * STUD_PITCH, PLATE_HEIGHT]), wall],
    connectors: [...studsAt(cells, PLATE_HEIGHT), ...socketsAt(cells), ...wallStuds]
  });
}
var sidewaysShapes = () => [
  sideStudBrick({ id: "brick-1x1-side1", title: "Side-stud brick 1 \xD7 1, 1 side", columns: 1, sides: [MINUS_Y] }),
  sideStudBrick({
    id: "brick-1x1-side2",
    title: "Side-stud brick 1 \xD7 1, 2 opposite sides",
    columns: 1,
    sides: [MINUS_Y, PLUS_Y]
  }),
  sideStudBrick({
    id: "brick-1x1-side2-corner",
    title: "Side-stud brick 1 \xD7 1, 2 sides at a corner",
    columns: 1,
    sides: [MINUS_Y, PLUS_X],
    isCorner: true
  }),
  sideStudBrick({
    id: "brick-1x1-side4",
    title: "Side-stud brick 1 \xD7 1, 4 sides",
    columns: 1,
    sides: [MINUS_Y, PLUS_Y, PLUS_X, MINUS_X]
  }),
  sideStudBrick({ id: "brick-1x2-side2", title: "Side-stud brick 1 \xD7 2, 2 studs", columns: 2, sides: [MINUS_Y] }),
  sideStudBrick({ id: "brick-1x4-side4", title: "Side-stud brick 1 \xD7 4, 4 studs", columns: 4, sides: [MINUS_Y] }),
  sideStudBrick({
    id: "brick-1x2-tall5p-side4",
    title: "Tall side-stud brick 1 \xD7 2, 5 plates high",
    columns: 2,
    height: 20,
    sides: [MINUS_Y],
    heights: [5, 15]
  }),
  sideStudBrick({ id: "brick-1x1-side3", title: "Side-stud brick 1 \xD7 1, 3 sides", columns: 1, sides: [MINUS_Y, PLUS_X, MINUS_X] }),
  sideStudBrick({ id: "brick-1x2-side4", title: "Side-stud brick 1 \xD7 2, 2 studs on either side", columns: 2, sides: [MINUS_Y, PLUS_Y] }),
  ...[
    ["1x1", "1x1"],
    ["1x2", "1x2"],
    ["1x2", "1x4"],
    ["1x2", "2x2"],
    ["2x2", "1x2"],
    ["2x2", "2x2"]
  ].flatMap(([size2, wall]) => [bracket(size2, wall, "up"), bracket(size2, wall, "down")])
];

// src/core/catalogue/families/slopes.ts
var LIP = 2;
function slopeShape(options) {
  const box = [options.width * STUD_PITCH, options.depth * STUD_PITCH, options.height];
  return makeShape({
    id: options.id,
    family: options.family,
    title: options.title,
    box,
    ...options.steps ? { bodies: options.steps.map(([y0, y1, z0, z1]) => ({ min: [0, y0, z0], max: [box[0], y1, z1] })) } : {},
    connectors: options.connectors(cellMiddles(options.width, options.depth)),
    outline: (builder) => {
      builder.profile(options.profile, box[0], options.smooth);
    }
  });
}
var depthByWidth = (size2) => parseSize(size2);
var sizeWords = (size2) => {
  const [depth, width] = depthByWidth(size2);
  return `${depth} deep, ${width} wide`;
};
function lowSlope(size2) {
  const [depth, width] = depthByWidth(size2);
  return slopeShape({
    id: `slope-low-${size2}`,
    family: "low slope",
    title: `Low slope ${sizeWords(size2)}`,
    depth,
    width,
    height: 8,
    connectors: socketsAt,
    profile: [
      [0, 0],
      [10, 0],
      [10, 8],
      [9, 8],
      [0, LIP]
    ]
  });
}
function slope(size2) {
  const [depth, width] = depthByWidth(size2);
  const run = depth * STUD_PITCH;
  const edge = run - STUD_PITCH;
  const half = Math.floor(edge / 2);
  const heightAt = Math.ceil(LIP + (BRICK_HEIGHT - LIP) * half / edge);
  return slopeShape({
    id: `slope-${size2}`,
    family: "slope",
    title: `Slope ${sizeWords(size2)}`,
    depth,
    width,
    height: BRICK_HEIGHT,
    connectors: (cells) => [
      ...studsAt(
        cells.filter(([, y]) => y > edge),
        BRICK_HEIGHT
      ),
      ...socketsAt(cells)
    ],
    profile: [
      [0, 0],
      [run, 0],
      [run, BRICK_HEIGHT],
      [edge, BRICK_HEIGHT],
      [0, LIP]
    ],
    steps: [
      [0, half, 0, heightAt],
      [half, run, 0, BRICK_HEIGHT]
    ]
  });
}
function ridge(width) {
  return slopeShape({
    id: `slope-ridge-2x${width}`,
    family: "slope",
    title: `Ridge 2 deep, ${width} wide`,
    depth: 2,
    width,
    height: BRICK_HEIGHT,
    connectors: socketsAt,
    profile: [
      [0, 0],
      [20, 0],
      [20, LIP],
      [10, BRICK_HEIGHT],
      [0, LIP]
    ],
    steps: [
      [0, 5, 0, 7],
      [5, 15, 0, BRICK_HEIGHT],
      [15, 20, 0, 7]
    ]
  });
}
function steepSlope(size2, tall) {
  const [depth, width] = depthByWidth(size2);
  const height = BRICK_HEIGHT * tall;
  const run = depth * STUD_PITCH;
  const top = depth > 1 ? STUD_PITCH : 2;
  const half = Math.floor((run - top) / 2);
  const heightAt = Math.ceil(LIP + (height - LIP) * half / (run - top));
  return slopeShape({
    id: `slope-${size2}-tall${tall}`,
    family: "steep slope",
    title: `Steep slope ${sizeWords(size2)}, ${tall} high`,
    depth,
    width,
    height,
    connectors: (cells) => [
      ...depth > 1 ? studsAt(
        cells.filter(([, y]) => y > run - top),
        height
      ) : [],
      ...socketsAt(cells)
    ],
    profile: [
      [0, 0],
      [run, 0],
      [run, height],
      [run - top, height],
      [0, LIP]
    ],
    steps: [
      [0, half, 0, heightAt],
      [half, run, 0, height]
    ]
  });
}
function invertedSlope(size2) {
  const [depth, width] = depthByWidth(size2);
  const run = depth * STUD_PITCH;
  const edge = run - STUD_PITCH;
  const half = Math.floor(edge / 2);
  const heightAt = Math.floor(BRICK_HEIGHT - LIP - (BRICK_HEIGHT - LIP) * half / edge);
  return slopeShape({
    id: `slope-inv-${size2}`,
    family: "inverted slope",
    title: `Inverted slope ${sizeWords(size2)}`,
    depth,
    width,
    height: BRICK_HEIGHT,
    connectors: (cells) => [...studsAt(cells, BRICK_HEIGHT), ...socketsAt(cells.filter(([, y]) => y > edge))],
    profile: [
      [0, BRICK_HEIGHT - LIP],
      [edge, 0],
      [run, 0],
      [run, BRICK_HEIGHT],
      [0, BRICK_HEIGHT]
    ],
    steps: [
      [0, half, heightAt, BRICK_HEIGHT],
      [half, run, 0, BRICK_HEIGHT]
    ]
  });
}
var CURVE_STEPS = 8;
function curvedSlope(size2, height) {
  const [depth, width] = depthByWidth(size2);
  const run = depth * STUD_PITCH;
  const arc2 = Array.from({ length: CURVE_STEPS + 1 }, (_, i) => {
    const angle2 = Math.PI / 2 * (i / CURVE_STEPS);
    return [run - run * Math.sin(angle2), LIP + (height - LIP) * Math.cos(angle2)];
  });
  const low = Math.max(1, Math.floor(run / 5));
  const heightAt = (y) => LIP + (height - LIP) * Math.sqrt(1 - ((run - y) / run) ** 2);
  return slopeShape({
    id: `curve-${size2}`,
    family: "curved slope",
    title: `Curved slope ${sizeWords(size2)}`,
    depth,
    width,
    height,
    connectors: socketsAt,
    profile: [[0, 0], [run, 0], ...arc2],
    smooth: [3, 4, 5, 6, 7, 8, 9],
    steps: [
      [0, low, 0, Math.ceil(heightAt(low))],
      [low, run, 0, height]
    ]
  });
}
function wedgePlate(columns2, cut2, hand2) {
  const isLeft = hand2 === "left";
  const width = columns2 * STUD_PITCH;
  const cutWidth = cut2 * STUD_PITCH;
  const size2 = `2x${columns2}`;
  const isCut = ([x, y]) => y < 10 && (isLeft ? x < cutWidth : x > width - cutWidth);
  const cells = cellMiddles(columns2, 2).filter((cell) => !isCut(cell));
  const bodies = [
    boxAt([0, 10, 0], [width, 10, PLATE_HEIGHT]),
    boxAt([isLeft ? cutWidth : 0, 0, 0], [width - cutWidth, 10, PLATE_HEIGHT]),
    { ...boxAt([isLeft ? 0 : width - cutWidth, 0, 0], [cutWidth, 10, PLATE_HEIGHT]), open: true }
  ];
  const outline = isLeft ? [
    [cutWidth, 0, 0],
    [width, 0, 0],
    [width, 20, 0],
    [0, 20, 0],
    [0, 10, 0]
  ] : [
    [0, 0, 0],
    [width - cutWidth, 0, 0],
    [width, 10, 0],
    [width, 20, 0],
    [0, 20, 0]
  ];
  return makeShape({
    id: `wedge-plate-${size2}-${hand2}`,
    family: "wedge plate",
    title: `Wedge plate 2 \xD7 ${columns2}, ${hand2}`,
    box: [width, 20, PLATE_HEIGHT],
    bodies,
    connectors: [...studsAt(cells, PLATE_HEIGHT), ...socketsAt(cells)],
    twin: `wedge-plate-${size2}-${isLeft ? "right" : "left"}`,
    reflection: LEFT_RIGHT,
    outline: (builder) => {
      builder.prism([outline], outline, [0, 0, PLATE_HEIGHT]);
    }
  });
}
var slopedShapes = () => [
  ...["1x1", "1x2", "1x3", "1x4"].map(lowSlope),
  ...["2x1", "2x2", "2x3", "2x4", "2x6", "2x8", "3x1", "3x2", "3x4", "4x1", "4x2"].map(slope),
  ...[1, 2, 4].map(ridge),
  steepSlope("1x1", 2),
  steepSlope("1x2", 2),
  steepSlope("1x1", 3),
  steepSlope("1x2", 3),
  steepSlope("2x1", 2),
  steepSlope("2x2", 2),
  steepSlope("2x1", 3),
  steepSlope("2x2", 3),
  ...["2x1", "2x2", "2x4", "3x1", "3x2"].map(invertedSlope),
  curvedSlope("1x1", 8),
  curvedSlope("1x2", 8),
  curvedSlope("2x1", 8),
  curvedSlope("2x2", 8),
  curvedSlope("2x4", 8),
  curvedSlope("3x1", 8),
  curvedSlope("3x2", 8),
  curvedSlope("4x1", BRICK_HEIGHT),
  curvedSlope("4x2", BRICK_HEIGHT),
  curvedSlope("6x1", BRICK_HEIGHT),
  curvedSlope("6x2", BRICK_HEIGHT),
  wedgePlate(2, 1, "left"),
  wedgePlate(2, 1, "right"),
  wedgePlate(6, 4, "left"),
  wedgePlate(6, 4, "right"),
  wedgePlate(3, 1, "left"),
  wedgePlate(3, 1, "right"),
  wedgePlate(4, 2, "left"),
  wedgePlate(4, 2, "right")
];

// src/core/catalogue/own.ts
function connectorFrom({ kind, at, facing, length: length2, along }) {
  return {
    kind,
    at,
    facing: directionFromText(facing),
    ...length2 === void 0 ? {} : { length: length2 },
    ...along === void 0 ? {} : { along: directionFromText(along) }
  };
}
function ownShape2(own) {
  const bodies = own.boxes.map(({ at, size: size2 }) => ({
    min: at,
    max: [at[0] + size2[0], at[1] + size2[1], at[2] + size2[2]]
  }));
  const box = [0, 1, 2].map((i) => Math.max(...bodies.map((body) => body.max[i])));
  const connectors = (own.connectors ?? []).map(connectorFrom);
  const recipe = { id: own.id, family: "own shape", title: own.name, box, bodies, connectors, reflection: LEFT_RIGHT };
  return makeShape({ ...recipe, twin: isLeftRightAlike(own, connectors, box) ? own.id : null });
}
function isLeftRightAlike(own, connectors, box) {
  const boxKey = (at, size2) => [...at, ...size2].join();
  const boxes = new Set(own.boxes.map(({ at, size: size2 }) => boxKey(at, size2)));
  const alikeBoxes = own.boxes.every(({ at, size: size2 }) => boxes.has(boxKey([box[0] - at[0] - size2[0], at[1], at[2]], size2)));
  const connectorKey = (kind, at, facing) => [kind, ...at, facing].join();
  const all2 = new Set(connectors.map((c) => connectorKey(c.kind, c.at, c.facing)));
  return alikeBoxes && connectors.every((c) => {
    const facing = directionOf(apply(LEFT_RIGHT, DIRECTION_VECTORS[c.facing]));
    return all2.has(connectorKey(c.kind, [box[0] - c.at[0], c.at[1], c.at[2]], facing));
  });
}

// src/core/catalogue/registry.ts
var FAMILIES = [
  rectangularShapes,
  roundShapes,
  slopedShapes,
  sidewaysShapes,
  openingShapes,
  barShapes,
  hingeShapes,
  ballShapes,
  axleShapes,
  plantShapes,
  detailShapes,
  furnitureShapes,
  figureShapes,
  headwearShapes,
  toolShapes,
  carriedShapes,
  lengthShapes
];
var BASE_CATALOGUE = {
  shapes: new Map(FAMILIES.flatMap((family) => family()).map((shape) => [shape.id, shape])),
  colours: new Map(COLOURS.map((colour2) => [colour2.id, colour2]))
};
function extendCatalogue(ownShapes = [], ownColours = []) {
  if (ownShapes.length === 0 && ownColours.length === 0) return BASE_CATALOGUE;
  return {
    shapes: new Map([...BASE_CATALOGUE.shapes, ...ownShapes.map((own) => [own.id, ownShape2(own)])]),
    colours: new Map([...BASE_CATALOGUE.colours, ...ownColours.map((own) => [own.id, own])])
  };
}
function nearestIds(wanted, known21, most = 3) {
  return [...known21].map((id2) => ({ id: id2, far: distance(wanted, id2) })).sort((a, b) => a.far - b.far || (a.id < b.id ? -1 : 1)).slice(0, most).map((entry) => entry.id);
}

// src/core/fault/index.ts
var Fault = class extends Error {
  code;
  place;
  wayOut;
  constructor(code, sentence2, details = {}) {
    super(sentence2);
    this.name = "Fault";
    this.code = code;
    this.place = details.place;
    this.wayOut = details.wayOut;
  }
};

// src/core/model/lengths.ts
var cut = /* @__PURE__ */ new Map();
function shapeOfPart({ shape, length: length2 }, shapes) {
  if (length2 === void 0 || !isByLength(shape)) return shapes.get(shape);
  const long = Math.max(1, Math.round(length2 / MM_PER_U));
  const key = `${shape} ${long}`;
  let known21 = cut.get(key);
  if (!known21) cut.set(key, known21 = cutToLength(shape, long));
  return known21;
}

// src/core/model/part-pose.ts
function partPose(part2, shape) {
  if (part2.at === void 0) throw new RangeError(`part ${part2.id} is loose`);
  const matrix = TURNS[part2.turn === void 0 ? NO_TURN : turnFromText(part2.turn)];
  const turned2 = posedBox({ matrix, at: [0, 0, 0] }, { min: [0, 0, 0], max: shape.box });
  return { matrix, at: subtract(part2.at, turned2.min) };
}

// src/core/model/joint-pose.ts
var ANGLE_LIMITS = { fork: 120, tongue: 120, ball: 50, cup: 50 };
function doJoin(a, b) {
  const goesInto = (gives, takes) => givenHolds(gives).some((hold) => hold !== HOLD.stud && hold === receivedHold(takes));
  return goesInto(a, b) || goesInto(b, a);
}
function connectorOf(shape, { kind, number: number2 = 1 }) {
  return shape.connectors.filter((connector) => connector.kind === kind)[number2 - 1];
}
function seatOf(section2, end, catalogue, slide, mirror) {
  const part2 = partsOf(section2).find((candidate) => candidate.id === end.part);
  const shape = shapeOfPart(part2, catalogue.shapes);
  const pose = partPose(part2, shape);
  const { at, facing, along, length: length2 } = connectorOf(shape, end);
  const turned2 = (way) => {
    const here2 = apply(pose.matrix, way);
    return mirror ? apply(mirror, here2) : here2;
  };
  const place = posed(pose, at);
  const face = turned2(DIRECTION_VECTORS[facing]);
  const axis = along === void 0 || along >> 1 === facing >> 1 ? face : turned2(DIRECTION_VECTORS[along]);
  const here = mirror ? apply(mirror, place) : place;
  return {
    at: length2 === void 0 ? here : add(here, scale(face, slide)),
    axis,
    facing: face,
    across: along === void 0 || along >> 1 === facing >> 1 ? acrossOf2(axis) : face
  };
}
var acrossOf2 = (axis) => [
  [0, 0, 1],
  [0, 1, 0],
  [1, 0, 0]
].find((candidate) => Math.abs(dot(candidate, axis)) < 0.5);
var frameOf = (first, second) => {
  const third = cross(first, second);
  return [first[0], second[0], third[0], first[1], second[1], third[1], first[2], second[2], third[2]];
};
function turnAbout(axis, degrees2) {
  const angle2 = degrees2 * Math.PI / 180;
  const [cos, sin] = [Math.cos(angle2), Math.sin(angle2)];
  const [x, y, z] = axis;
  const k = 1 - cos;
  return [
    cos + x * x * k,
    x * y * k - z * sin,
    x * z * k + y * sin,
    y * x * k + z * sin,
    cos + y * y * k,
    y * z * k - x * sin,
    z * x * k - y * sin,
    z * y * k + x * sin,
    cos + z * z * k
  ];
}
var CLEAN = 1e-9;
var cleaned = (value) => {
  const whole = Math.round(value);
  return Math.abs(value - whole) < CLEAN ? whole + 0 : value;
};
function jointPose(model2, section2, copy2, joint, catalogue = BASE_CATALOGUE) {
  const mirror = copy2.mirror === void 0 ? void 0 : mirrorMatrix(copy2.mirror);
  const slide = joint.slide ?? 0;
  const on = seatOf(section2, joint.on, catalogue, slide);
  const by = seatOf(sectionById(model2, copy2.section), joint.by, catalogue, slide, mirror);
  const looksBack = BY_FACE.has(joint.on.kind);
  const target = looksBack ? frameOf(scale(on.facing, -1), backAcross(on)) : frameOf(on.axis, on.across);
  const source = looksBack ? frameOf(by.facing, onAcross(by)) : frameOf(by.axis, by.across);
  const straight = multiply(target, transpose(source));
  const [first = 0, second = 0, third = 0] = joint.angles ?? [];
  const turned2 = isBall(joint.on.kind) ? multiply(
    turnAbout(cross(on.facing, acrossOf2(on.facing)), third),
    multiply(turnAbout(acrossOf2(on.facing), second), turnAbout(on.facing, first))
  ) : turnAbout(on.axis, first);
  const turn2 = multiply(turned2, straight);
  const whole = mirror ? multiply(turn2, mirror) : turn2;
  const at = subtract(on.at, apply(turn2, by.at));
  return { matrix: whole.map(cleaned), at: at.map(cleaned) };
}
function jointReach(section2, { joint }, catalogue) {
  if (!joint) return void 0;
  const slide = joint.slide ?? 0;
  const { at, axis, facing } = seatOf(section2, joint.on, catalogue, slide);
  const most = ANGLE_LIMITS[joint.on.kind] ?? 360;
  const turn2 = (about, now = 0) => ({ axis: about, from: -most - (most < 360 ? now : 0), to: most - (most < 360 ? now : 0) });
  const [first, second, third] = joint.angles ?? [];
  const sideways = acrossOf2(facing);
  const turns = isBall(joint.on.kind) ? [turn2(sideways, second), turn2(cross(facing, sideways), third)] : [turn2(axis, first)];
  const part2 = partsOf(section2).find((candidate) => candidate.id === joint.on.part);
  const { length: length2 } = connectorOf(shapeOfPart(part2, catalogue.shapes), joint.on);
  return { at, turns, ...length2 === void 0 ? {} : { slide: { way: facing, from: -slide, to: length2 - slide } } };
}
var BY_FACE = /* @__PURE__ */ new Set(["post", "ring", "ball", "cup", "tongue", "fork"]);
var isBall = (kind) => kind === "ball" || kind === "cup";
var backAcross = (seat) => onAcross(seat) === seat.axis ? scale(seat.axis, -1) : onAcross(seat);
var onAcross = (seat) => Math.abs(dot(seat.axis, seat.facing)) > 0.5 ? acrossOf2(seat.facing) : seat.axis;

// src/core/model/pictures.ts
import { convertIndexedToRgb, decode, hasPngSignature } from "fast-png";
var HEAD = "data:image/png;base64,";
var MOST_DOTS = 2400;
function decodePicture(address, place = "picture") {
  const bytes = pictureBytes(address, place);
  const head2 = headOf(bytes);
  if (head2.width > MOST_DOTS || head2.height > MOST_DOTS) throw badPicture(`has more than ${MOST_DOTS} dots each way`, place);
  try {
    return toRgba(decode(bytes));
  } catch (error) {
    throw badPicture(`cannot be read (${error instanceof Error ? error.message : String(error)})`, place);
  }
}
function pictureBytes(address, place = "picture") {
  if (!address.startsWith(HEAD)) throw badPicture("is no PNG in a data address", place);
  let text;
  try {
    text = atob(address.slice(HEAD.length));
  } catch {
    throw badPicture("is not written in base 64", place);
  }
  const bytes = new Uint8Array(text.length);
  for (let i = 0; i < text.length; i++) bytes[i] = text.charCodeAt(i);
  if (bytes.length < 33 || !hasPngSignature(bytes)) throw badPicture("is no PNG", place);
  return bytes;
}
function headOf(bytes) {
  const view = new DataView(bytes.buffer, bytes.byteOffset);
  return { width: view.getUint32(16), height: view.getUint32(20) };
}
function toRgba(picture) {
  const { width, height } = picture;
  if (!picture.palette && picture.depth < 8) throw new Error("fewer than 256 greys");
  const channels = picture.palette ? picture.palette[0]?.length ?? 3 : picture.channels;
  const values = picture.palette ? convertIndexedToRgb(picture) : picture.data;
  const most = picture.palette ? 255 : 2 ** picture.depth - 1;
  const data = new Uint8Array(width * height * 4);
  for (let dot3 = 0; dot3 < width * height; dot3++) {
    const at = dot3 * channels;
    const byte = (i) => Math.round(values[at + i] * 255 / most);
    const isGrey = channels < 3;
    data[dot3 * 4] = byte(0);
    data[dot3 * 4 + 1] = byte(isGrey ? 0 : 1);
    data[dot3 * 4 + 2] = byte(isGrey ? 0 : 2);
    data[dot3 * 4 + 3] = channels === 2 ? byte(1) : channels === 4 ? byte(3) : 255;
  }
  return { width, height, data };
}
var badPicture = (what, place) => new Fault("bad-picture", `The picture ${what}.`, { place, wayOut: "Attach it again from a PNG, JPEG or SVG file." });
var decoded = /* @__PURE__ */ new Map();
var MOST_KEPT = 60;
function picturePixels(address) {
  let known21 = decoded.get(address);
  if (!known21) {
    known21 = decodePicture(address);
    if (decoded.size >= MOST_KEPT) decoded.delete(decoded.keys().next().value);
    decoded.set(address, known21);
  }
  return known21;
}

// src/core/model/read.ts
function readModelText(text) {
  if (text.length > LIMITS.fileBytes) {
    throw new Fault("too-large", "The file is larger than 64 MiB.", { wayOut: "Split the model into several files." });
  }
  let value;
  try {
    value = JSON.parse(text.charCodeAt(0) === 65279 ? text.slice(1) : text);
  } catch (error) {
    throw new Fault("not-json", `The file is not valid JSON: ${error.message}.`, {
      wayOut: "Export it again from where it came from, or open a copy."
    });
  }
  return checkModel(value);
}
function checkModel(value) {
  if (value === null || typeof value !== "object" || Array.isArray(value)) {
    throw new Fault("not-a-model", "The file holds no model: its outermost value is not an object.");
  }
  const result = modelSchema.validate(value, { convert: false, abortEarly: true });
  if (result.error) throw shapeFault(result.error.details[0]);
  const model2 = result.value;
  checkReferences(model2);
  checkNesting(model2);
  return model2;
}
var pathText = (path2) => path2.map((key, i) => typeof key === "number" ? `[${key}]` : i === 0 ? key : `.${key}`).join("");
function shapeFault(detail2) {
  const place = pathText(detail2.path);
  const last = detail2.path[detail2.path.length - 1];
  const at = place === "" ? {} : { place };
  switch (detail2.type) {
    case "object.unknown":
      return new Fault("unknown-key", `The key \u201C${String(last)}\u201D is not part of the model format.`, {
        ...at,
        wayOut: "Remove it, or check its spelling."
      });
    case "any.required":
      return new Fault("missing-key", `\u201C${String(last)}\u201D is missing.`, at);
    case "turn.unknown":
      return new Fault("bad-turn", "This is none of the 24 turns.", {
        ...at,
        wayOut: 'Write the images of +x and +y, such as "+y-x".'
      });
    case "string.max":
      return new Fault("too-long", `\u201C${String(last)}\u201D is longer than ${limitOf(detail2)} characters.`, at);
    case "array.max":
      return new Fault("too-many-sections", `There are more than ${limitOf(detail2)} sections.`, at);
    case "number.integer":
      return new Fault("not-integer", "A place in a lattice must be a whole number of u.", at);
    case "array.min":
      return new Fault("too-few", `\u201C${String(last)}\u201D must hold at least one entry.`, at);
    case "any.only":
      return last === "count" ? new Fault("bad-count", "A part with a place counts once: only a loose part may have a count.", { ...at, wayOut: "Remove it." }) : new Fault("bad-value", `\u201C${String(last)}\u201D has a value that is not known${known3(detail2)}.`, at);
    case "number.min":
    case "number.max":
      return numberFault(detail2, at);
    default:
      return new Fault("bad-value", `${sentence(detail2.message)}.`, at);
  }
}
function known3(detail2) {
  const valids = detail2.context?.valids;
  return valids ? `; known: ${valids.join(", ")}` : "";
}
var limitOf = (detail2) => String(detail2.context.limit);
var sentence = (message) => message.charAt(0).toUpperCase() + message.slice(1);
function numberFault(detail2, at) {
  if (detail2.path.includes("count")) {
    return new Fault("bad-count", `The count is out of range: it must be 0 to ${LIMITS.flatParts}.`, at);
  }
  return new Fault("out-of-range", `The place is outside \xB1${LIMITS.coordinate} u.`, at);
}
function checkReferences(model2) {
  const catalogue = extendCatalogue(model2.shapes, model2.palette);
  refuseDoubles(model2.palette ?? [], (i) => `palette[${i}].id`);
  refuseDoubles(model2.shapes ?? [], (i) => `shapes[${i}].id`);
  refuseDoubles(model2.sections, (i) => `sections[${i}].id`);
  const sections = new Map(model2.sections.map((section2) => [section2.id, section2]));
  if (!sections.has(model2.root)) {
    throw new Fault("missing-root", `The root section \u201C${model2.root}\u201D does not exist.`, {
      place: "root",
      wayOut: `Name one of: ${nearestIds(model2.root, sections.keys()).join(", ")}.`
    });
  }
  refuseDoubles(model2.figures ?? [], (i) => `figures[${i}].id`);
  model2.figures?.forEach(({ slots }, i) => {
    for (const [slot2, entry] of Object.entries(slots)) {
      const place = `figures[${i}].slots.${slot2}`;
      entry.options.forEach((option2, k) => {
        refuseUnknown("shape", option2.shape, catalogue.shapes, `${place}.options[${k}].shape`);
        refuseUnknown("colour", option2.colour, catalogue.colours, `${place}.options[${k}].colour`);
      });
      if ((entry.chosen ?? 0) >= entry.options.length)
        throw new Fault("out-of-range", "The chosen option does not exist.", { place: `${place}.chosen` });
    }
  });
  refuseDoubles(model2.decals ?? [], (i) => `decals[${i}].id`);
  model2.decals?.forEach(({ picture }, i) => decodePicture(picture, `decals[${i}].picture`));
  const decals = new Map((model2.decals ?? []).map((decal2) => [decal2.id, decal2]));
  model2.sections.forEach((section2, i) => {
    checkSection(section2, `sections[${i}]`, sections, catalogue);
    checkDecals(section2, `sections[${i}]`, decals);
  });
}
function checkDecals(section2, path2, decals) {
  partsOf(section2).forEach(
    ({ work }, i) => work?.forEach(({ decal: decal2 }, k) => {
      if (decal2 === void 0 || decals.has(decal2)) return;
      throw new Fault("unknown-decal", `There is no decal \u201C${decal2}\u201D.`, {
        place: `${path2}.parts[${i}].work[${k}].decal`,
        wayOut: decals.size === 0 ? "The model has no decal." : `The nearest known: ${nearestIds(decal2, decals.keys()).join(", ")}.`
      });
    })
  );
}
function refuseDoubles(entries, place) {
  const seen2 = /* @__PURE__ */ new Set();
  entries.forEach((entry, i) => {
    if (seen2.has(entry.id)) {
      throw new Fault("double-id", `The id \u201C${entry.id}\u201D stands twice.`, { place: place(i), wayOut: "Give each its own." });
    }
    seen2.add(entry.id);
  });
}
function checkSection(section2, path2, sections, catalogue) {
  const ids = /* @__PURE__ */ new Map();
  const note2 = (id2, kind, place) => {
    if (ids.has(id2)) {
      throw new Fault("double-id", `The id \u201C${id2}\u201D stands twice in section \u201C${section2.id}\u201D.`, {
        place,
        wayOut: "Give each part and copy of a section its own id."
      });
    }
    ids.set(id2, kind);
  };
  partsOf(section2).forEach((part2, i) => {
    const place = `${path2}.parts[${i}]`;
    note2(part2.id, "part", `${place}.id`);
    refuseUnknown("shape", part2.shape, catalogue.shapes, `${place}.shape`);
    refuseUnknown("colour", part2.colour, catalogue.colours, `${place}.colour`);
  });
  copiesOf(section2).forEach((copy2, i) => {
    const place = `${path2}.copies[${i}]`;
    note2(copy2.id, "copy", `${place}.id`);
    if (!sections.has(copy2.section)) {
      throw new Fault("unknown-section", `There is no section \u201C${copy2.section}\u201D.`, {
        place: `${place}.section`,
        wayOut: `The nearest known: ${nearestIds(copy2.section, sections.keys()).join(", ")}.`
      });
    }
    if (copy2.joint) {
      checkJointEnd(copy2.joint.on, section2, catalogue, `${place}.joint.on`);
      checkJointEnd(copy2.joint.by, sections.get(copy2.section), catalogue, `${place}.joint.by`);
      checkJoint(copy2.joint, `${place}.joint`);
    }
  });
  section2.places?.forEach(({ part: part2 }, i) => {
    if (ids.get(part2) === "part") return;
    throw new Fault("unknown-part", `The place names the part \u201C${part2}\u201D, which section \u201C${section2.id}\u201D does not have.`, {
      place: `${path2}.places[${i}].part`,
      wayOut: `The nearest known: ${nearestIds(
        part2,
        [...ids].filter(([, kind]) => kind === "part").map(([id2]) => id2)
      ).join(", ")}.`
    });
  });
  section2.steps?.forEach((step2, i) => {
    const refuse = (id2, kind, place) => {
      if (ids.get(id2) === kind) return;
      const known21 = [...ids].filter(([, k]) => k === kind).map(([k]) => k);
      throw new Fault(`unknown-${kind}`, `The step names the ${kind} \u201C${id2}\u201D, which section \u201C${section2.id}\u201D does not have.`, {
        place,
        wayOut: known21.length === 0 ? `The section has no ${kind}.` : `The nearest known: ${nearestIds(id2, known21).join(", ")}.`
      });
    };
    step2.add?.forEach((id2, k) => refuse(id2, "part", `${path2}.steps[${i}].add[${k}]`));
    step2.join?.forEach((id2, k) => refuse(id2, "copy", `${path2}.steps[${i}].join[${k}]`));
  });
}
function checkJointEnd(end, section2, catalogue, place) {
  const part2 = partsOf(section2).find((candidate) => candidate.id === end.part);
  if (!part2 || isLoose(part2)) {
    throw new Fault("unknown-part", `The joint names the part \u201C${end.part}\u201D, which section \u201C${section2.id}\u201D does not have in place.`, {
      place: `${place}.part`,
      wayOut: `The nearest known: ${nearestIds(
        end.part,
        partsOf(section2).map(({ id: id2 }) => id2)
      ).join(", ")}.`
    });
  }
  const shape = shapeOfPart(part2, catalogue.shapes);
  if (connectorOf(shape, end)) return;
  const known21 = [...new Set(shape.connectors.map(({ kind }) => kind))];
  throw new Fault("no-such-connector", `\u201C${shape.title}\u201D has no ${end.kind} number ${end.number ?? 1}.`, {
    place,
    wayOut: known21.length > 0 ? `It has: ${known21.join(", ")}.` : "It has nothing to hold by."
  });
}
function checkJoint({ on, by, angles = [] }, place) {
  if (!doJoin(on.kind, by.kind)) throw new Fault("bad-joint", `A ${by.kind} does not move in a ${on.kind}.`, { place });
  const most = ANGLE_LIMITS[on.kind] ?? 360;
  const tooFar = angles.findIndex((angle2) => Math.abs(angle2) > most);
  if (tooFar < 0) return;
  throw new Fault("out-of-range", `This joint turns ${most}\xB0 either way at most.`, { place: `${place}.angles[${tooFar}]` });
}
function refuseUnknown(what, id2, known21, place) {
  if (known21.has(id2)) return;
  throw new Fault(`unknown-${what}`, `There is no ${what} \u201C${id2}\u201D.`, {
    place,
    wayOut: `The nearest known: ${nearestIds(id2, known21.keys()).join(", ")}.`
  });
}
function checkNesting(model2) {
  const byId = new Map(model2.sections.map((section2, i) => [section2.id, { section: section2, place: `sections[${i}]` }]));
  const done = /* @__PURE__ */ new Map();
  const open = /* @__PURE__ */ new Set();
  const measure = (id2) => {
    const known21 = done.get(id2);
    if (known21) return known21;
    const { section: section2, place } = byId.get(id2);
    if (open.has(id2)) {
      throw new Fault("cycle", `Section \u201C${id2}\u201D contains itself.`, { place, wayOut: "Remove one of the copies on the way." });
    }
    open.add(id2);
    const extent = { depth: 0, parts: partsOf(section2).filter((part2) => !isLoose(part2)).length };
    for (const copy2 of copiesOf(section2)) {
      const inner = measure(copy2.section);
      extent.depth = Math.max(extent.depth, inner.depth + 1);
      extent.parts += inner.parts;
    }
    open.delete(id2);
    done.set(id2, extent);
    return extent;
  };
  for (const section2 of model2.sections) measure(section2.id);
  const root = done.get(model2.root);
  if (root.depth > LIMITS.nesting) {
    throw new Fault("too-deep", `Copies are nested ${root.depth} deep; at most ${LIMITS.nesting} are allowed.`, { place: "root" });
  }
  if (root.parts > LIMITS.flatParts) {
    throw new Fault("too-many-parts", `The model has ${root.parts} parts; at most ${LIMITS.flatParts} are allowed.`, {
      place: "root"
    });
  }
}

// src/core/model/flatten.ts
var catalogueOf = (model2) => extendCatalogue(model2.shapes, model2.palette);
function copyPose(model2, section2, copy2) {
  if (copy2.joint) return jointPose(model2, section2, copy2, copy2.joint, catalogueOf(model2));
  const turned2 = copy2.rotate ? rotationMatrix(copy2.rotate) : TURNS[copy2.turn === void 0 ? NO_TURN : turnFromText(copy2.turn)];
  return { matrix: copy2.mirror === void 0 ? turned2 : multiply(turned2, mirrorMatrix(copy2.mirror)), at: copy2.at ?? [0, 0, 0] };
}
function exchangeForTwin(shape, pose, catalogue) {
  if (!isMirroring(pose)) return { shape, pose, lacksTwin: false };
  const twin = shape.mirror.twin === null ? void 0 : catalogue.shapes.get(shape.mirror.twin);
  if (!twin) return { shape, pose, lacksTwin: true };
  const reflection = shape.mirror.reflection;
  const shift2 = subtract(scale(shape.box, 0.5), apply(reflection, scale(twin.box, 0.5)));
  return {
    shape: twin,
    pose: {
      matrix: multiply(pose.matrix, reflection),
      at: add(apply(pose.matrix, shift2), pose.at)
    },
    lacksTwin: false
  };
}
var Flattener = class {
  constructor(model2) {
    this.model = model2;
    this.catalogue = catalogueOf(model2);
  }
  model;
  catalogue;
  made = /* @__PURE__ */ new Map();
  /** The section's own placed parts, in its lattice. */
  own(section2) {
    return partsOf(section2).filter((part2) => !isLoose(part2)).map((part2) => {
      const shape = shapeOfPart(part2, this.catalogue.shapes);
      return { path: part2.id, part: part2, shape, colour: part2.colour, pose: partPose(part2, shape), lacksTwin: false, isMirrored: false };
    });
  }
  /** Own parts and those of all copies, in the section's lattice. */
  all(sectionId) {
    const known21 = this.made.get(sectionId);
    if (known21) return known21;
    const section2 = sectionById(this.model, sectionId);
    const placed = this.own(section2);
    for (const copy2 of copiesOf(section2)) for (const inner of this.copy(section2, copy2)) placed.push(inner);
    this.made.set(sectionId, placed);
    return placed;
  }
  /** The parts one copy brings, in the lattice of the section that holds the copy. */
  copy(section2, copy2) {
    const outer = copyPose(this.model, section2, copy2);
    return this.all(copy2.section).map((inner) => {
      const exchanged = exchangeForTwin(inner.shape, composePoses(outer, inner.pose), this.catalogue);
      return {
        path: `${copy2.id}/${inner.path}`,
        part: inner.part,
        colour: inner.colour,
        shape: exchanged.shape,
        pose: exchanged.pose,
        lacksTwin: exchanged.lacksTwin,
        isMirrored: inner.isMirrored !== (copy2.mirror !== void 0)
      };
    });
  }
};
function sectionUses(model2) {
  const uses = /* @__PURE__ */ new Map();
  for (const section2 of model2.sections) uses.set(section2.id, { times: 0, mirrored: 0 });
  uses.get(model2.root).times = 1;
  for (const id2 of buildingOrder(model2).reverse()) {
    const use = uses.get(id2);
    for (const copy2 of copiesOf(sectionById(model2, id2))) {
      const inner = uses.get(copy2.section);
      const flips2 = copy2.mirror !== void 0;
      inner.times += flips2 ? use.mirrored : use.times;
      inner.mirrored += flips2 ? use.times : use.mirrored;
    }
  }
  return uses;
}
function buildingOrder(model2) {
  const order = [];
  const seen2 = /* @__PURE__ */ new Set();
  const visit = (id2) => {
    if (seen2.has(id2)) return;
    seen2.add(id2);
    for (const copy2 of copiesOf(sectionById(model2, id2))) visit(copy2.section);
    order.push(id2);
  };
  visit(model2.root);
  for (const section2 of model2.sections) visit(section2.id);
  return order;
}

// src/core/fit/units.ts
var LENGTHS = {
  studs: STUD_PITCH,
  "half studs": STUD_PITCH / 2,
  bricks: BRICK_HEIGHT,
  plates: PLATE_HEIGHT,
  "half plates": PLATE_HEIGHT / 2,
  "bracket walls": WALL_THICKNESS,
  mm: 1 / MM_PER_U
};
var LENGTH_UNITS = Object.keys(LENGTHS);

// src/core/fit/stacks.ts
var FILLERS = {
  /** A brick, or anything as high, with its studs along the gap. */
  brick: BRICK_HEIGHT,
  /** A plate or tile with its studs along the gap. */
  plate: PLATE_HEIGHT,
  /** A stud's width of anything that stands across the gap. */
  stud: STUD_PITCH,
  /** Half of that: what stands on a jumper. */
  "half stud": STUD_PITCH / 2,
  /** The wall of a bracket. */
  "bracket wall": WALL_THICKNESS
};
var ORDER = Object.keys(FILLERS);

// src/core/fit/slack.ts
var LINKS = {
  "stud joint": { title: "Brick or plate on studs", error: 0, play: 0.02 },
  "side by side": { title: "Bricks side by side", error: -0.02, play: 0.04 },
  "low slopes": { title: "Low slopes nose to nose", error: 0.15, play: 0 },
  hinge: { title: "Hinge", error: 0.1, play: 0.05 },
  clip: { title: "Clip on a bar", error: -0.05, play: 0.2 },
  ball: { title: "Ball in a cup", error: 0.05, play: 0.05 },
  peg: { title: "Pin in a hole", error: 0, play: 0.1 },
  bracket: { title: "Bracket wall", error: 0.04, play: 0 }
};
var LINK_KINDS = Object.keys(LINKS);

// src/core/fit/schools.ts
var TECHNIQUES = {
  "stud-in-hole": {
    title: "A stud pressed into a pin hole",
    reason: "The hole is a little narrower than a socket: the stud is squeezed, and the wall of the hole may crack in time."
  },
  "plate-between-studs": {
    title: "A plate on edge between studs",
    reason: "Nothing holds it but the pressure of the studs on both its sides, and both are bent a little."
  },
  "slopes-nose-to-nose": {
    title: "Low slopes nose to nose",
    reason: "Their noses are a little longer than half a stud each, so the row that carries them is pushed apart."
  },
  "off-the-lattice": {
    title: "A joint that does not quite meet",
    reason: "The places of the two connectors differ, and the parts between them bend to make up for it."
  }
};
var TECHNIQUE_IDS = Object.keys(TECHNIQUES);
var all = (verdict) => Object.fromEntries(TECHNIQUE_IDS.map((id2) => [id2, verdict]));
var SCHOOLS = { pure: all("error"), relaxed: all("note"), usual: all("warning") };

// src/core/scene/grips.ts
var ROLE = { receives: 0, stud: 1, gives: 2 };
var CODES_OF_KIND = 8;
var holdOfCode = (code) => Math.floor(code / CODES_OF_KIND);
function codeOf(hold, way, gives) {
  const agreement = AGREEMENT[hold];
  if (agreement === "none") return hold * CODES_OF_KIND;
  if (agreement === "axis") return hold * CODES_OF_KIND + axisOf(way);
  return hold * CODES_OF_KIND + (gives ? opposite(way) : way);
}
function gripsOf(connector) {
  const way = mainWay(connector);
  const holds = givenHolds(connector.kind);
  if (holds.length === 0) {
    const lets = axesLet(connector).reduce((bits, axis) => bits | 1 << axis, 0);
    return [{ at: connector.at, code: codeOf(receivedHold(connector.kind), way, false), role: ROLE.receives, lets }];
  }
  const role = connector.kind === "stud" ? ROLE.stud : ROLE.gives;
  const step2 = DIRECTION_VECTORS[connector.facing];
  return Array.from({ length: gripCount(connector) }, (_, k) => connector.at.map((v, i) => v + k * step2[i])).flatMap(
    (at) => holds.map((hold) => ({ at, code: codeOf(hold, way, true), role, lets: 0 }))
  );
}

// src/core/scene/stud-box.ts
function studBox(at, facing) {
  const half = STUD_WIDTH / 2;
  const axis = axisOf(facing);
  const size2 = [STUD_WIDTH, STUD_WIDTH, STUD_WIDTH];
  size2[axis] = STUD_HEIGHT;
  const min = [at[0] - half, at[1] - half, at[2] - half];
  min[axis] = at[axis] - ((facing & 1) === 0 ? 0 : STUD_HEIGHT);
  return boxAt(min, size2);
}

// src/core/scene/attitudes.ts
var MARK = {
  /** A stud may pass. */
  open: 1,
  /** A ball, bar or peg: against what stands in a free pose only what is inside its round counts. */
  round: 2
};
var known4 = /* @__PURE__ */ new WeakMap();
var codeOf2 = (m) => m.reduce((code, value) => code * 3 + value + 1, 0);
function attitudeOf(shape, matrix) {
  let ofShape = known4.get(shape);
  if (!ofShape) known4.set(shape, ofShape = /* @__PURE__ */ new Map());
  const code = codeOf2(matrix);
  let attitude = ofShape.get(code);
  if (!attitude) ofShape.set(code, attitude = makeAttitude(shape, matrix));
  return attitude;
}
function makeAttitude(shape, matrix) {
  const pose = { matrix, at: [0, 0, 0] };
  const boxes = shape.bodies.map((body) => posedBox(pose, body));
  const turned2 = (way) => directionOf(apply(matrix, DIRECTION_VECTORS[way]));
  const connectors = shape.connectors.map((connector) => ({
    ...connector,
    at: posed(pose, connector.at),
    facing: turned2(connector.facing),
    ...connector.along === void 0 ? {} : { along: turned2(connector.along) }
  }));
  const studs = connectors.filter((connector) => connector.kind === "stud");
  const grips = connectors.flatMap(gripsOf);
  return {
    bodies: flat2(boxes),
    marks: Uint8Array.from(shape.bodies, (body) => body.open ? MARK.open : body.round ? MARK.round : 0),
    hull: boxes.reduce(unite),
    places: Int32Array.from(grips.flatMap((grip) => [...grip.at])),
    codes: Uint8Array.from(grips, (grip) => grip.code),
    roles: Uint8Array.from(grips, (grip) => grip.role),
    lets: Uint8Array.from(grips, (grip) => grip.lets),
    studs: flat2(studs.map(({ at, facing }) => studBox(at, facing))),
    studAxes: Uint8Array.from(studs, ({ facing }) => axisOf(facing))
  };
}
var flat2 = (boxes) => Int32Array.from(boxes.flatMap((box) => [...box.min, ...box.max]));

// src/core/scene/free-connectors.ts
var AXES = [
  [1, 0, 0],
  [0, 1, 0],
  [0, 0, 1]
];
function freeConnectors(connector, pose, node, part2) {
  const { kind, at, facing } = connector;
  const isStud = kind === "stud";
  const way = apply(pose.matrix, DIRECTION_VECTORS[mainWay(connector)]);
  const holds = givenHolds(kind);
  if (holds.length === 0) {
    const lets = axesLet(connector).map((axis) => apply(pose.matrix, AXES[axis]));
    return [{ node, part: part2, at: posed(pose, at), hold: receivedHold(kind), way, gives: false, isStud, lets }];
  }
  const step2 = DIRECTION_VECTORS[facing];
  return Array.from({ length: gripCount(connector) }, (_, k) => posed(pose, at.map((v, i) => v + k * step2[i]))).flatMap(
    (place) => holds.map((hold) => ({ node, part: part2, at: place, hold, way, gives: true, isStud, lets: [] }))
  );
}
function latticeConnectors(table2) {
  return Array.from({ length: table2.count }, (_, i) => {
    const role = table2.role[i];
    const hold = holdOfCode(table2.code[i]);
    return {
      node: table2.node[i],
      part: table2.part[i],
      at: [table2.at[i * 3], table2.at[i * 3 + 1], table2.at[i * 3 + 2]],
      hold,
      way: wayOf(hold, table2.code[i] % 8, role !== ROLE.receives),
      gives: role !== ROLE.receives,
      isStud: role === ROLE.stud,
      lets: AXES.filter((_axis, axis) => table2.lets[i] >> axis & 1)
    };
  });
}
function wayOf(hold, rest2, gives) {
  if (hold !== HOLD.stud && hold !== HOLD.post) return AXES[rest2] ?? AXES[0];
  return DIRECTION_VECTORS[gives ? rest2 ^ 1 : rest2];
}

// src/core/scene/scene.ts
var allBoxes = ({ bodies, studs }) => new Int32Array(bodies.boxes.buffer, bodies.boxes.byteOffset, (bodies.count + studs.count) * 6);
var SceneTables = class {
  bodies;
  studs;
  grips;
  body = 0;
  stud = 0;
  grip = 0;
  constructor(attitudes) {
    let bodies = 0;
    let studs = 0;
    let grips = 0;
    for (const attitude of attitudes) {
      if (!attitude) continue;
      bodies += attitude.marks.length;
      studs += attitude.studAxes.length;
      grips += attitude.codes.length;
    }
    const boxes = new Int32Array((bodies + studs) * 6);
    this.bodies = boxTable(boxes.subarray(0, bodies * 6));
    this.studs = boxTable(boxes.subarray(bodies * 6));
    this.grips = {
      count: grips,
      node: new Int32Array(grips),
      part: new Int32Array(grips),
      at: new Int32Array(grips * 3),
      code: new Uint8Array(grips),
      role: new Uint8Array(grips),
      lets: new Uint8Array(grips)
    };
  }
  add(attitude, at, node, part2) {
    this.body = addBoxes(this.bodies, this.body, attitude.bodies, attitude.marks, at, node, part2);
    this.stud = addBoxes(this.studs, this.stud, attitude.studs, attitude.studAxes, at, node, part2);
    const { places, codes, roles, lets } = attitude;
    const { grips } = this;
    let row = this.grip;
    grips.node.fill(node, row, row + codes.length);
    grips.part.fill(part2, row, row + codes.length);
    grips.code.set(codes, row);
    grips.role.set(roles, row);
    grips.lets.set(lets, row);
    for (let i = 0; i < places.length; i += 3, row++) shift(places, i, grips.at, row * 3, at);
    this.grip = row;
  }
};
var boxTable = (boxes) => ({
  count: boxes.length / 6,
  node: new Int32Array(boxes.length / 6),
  part: new Int32Array(boxes.length / 6),
  boxes,
  mark: new Uint8Array(boxes.length / 6)
});
function addBoxes(table2, first, boxes, marks, at, node, part2) {
  const end = first + marks.length;
  table2.node.fill(node, first, end);
  table2.part.fill(part2, first, end);
  table2.mark.set(marks, first);
  for (let i = 0; i < boxes.length; i += 3) shift(boxes, i, table2.boxes, first * 6 + i, at);
  return end;
}
function shift(from, i, to, j, at) {
  to[j] = from[i] + at[0];
  to[j + 1] = from[i + 1] + at[1];
  to[j + 2] = from[i + 2] + at[2];
}
function buildScene(nodes) {
  const parts = [];
  const attitudes = [];
  for (const spec of nodes) {
    for (const placed of spec.parts) {
      parts.push(placed);
      attitudes.push(isLatticePose(placed.pose) ? attitudeOf(placed.shape, placed.pose.matrix) : void 0);
    }
  }
  const tables = new SceneTables(attitudes);
  const free2 = { bodies: [], connectors: [] };
  const partNode = new Int32Array(parts.length);
  let part2 = 0;
  const nodeBoxes = nodes.map((spec, node) => {
    let hull;
    for (const placed of spec.parts) {
      const attitude = attitudes[part2];
      const { at } = placed.pose;
      if (attitude) tables.add(attitude, at, node, part2);
      else addFree(placed, node, part2, free2);
      const box = attitude ? { min: add(attitude.hull.min, at), max: add(attitude.hull.max, at) } : partHull(placed);
      hull = hull ? unite(hull, box) : box;
      partNode[part2++] = node;
    }
    return hull ?? NOWHERE;
  });
  return {
    nodes,
    parts,
    partNode,
    nodeBoxes,
    bodies: tables.bodies,
    studs: tables.studs,
    grips: tables.grips,
    freeBodies: free2.bodies,
    freeConnectors: free2.connectors
  };
}
var ROUND = 0.2;
function insideRound({ min, max }) {
  const less = ROUND * Math.min(max[0] - min[0], max[1] - min[1], max[2] - min[2]);
  return { min: [min[0] + less, min[1] + less, min[2] + less], max: [max[0] - less, max[1] - less, max[2] - less] };
}
var NOWHERE = { min: [0, 0, 0], max: [0, 0, 0] };
function addFree({ shape, pose }, node, part2, into) {
  const push = (box, isStud, isOpen, axis) => {
    into.bodies.push({ node, part: part2, shape: orientedBox(pose, box), hull: posedBox(pose, box), isStud, isOpen, axis });
  };
  for (const body of shape.bodies) push(body.round ? insideRound(body) : body, false, body.open === true, [0, 0, 0]);
  for (const connector of shape.connectors) {
    into.connectors.push(...freeConnectors(connector, pose, node, part2));
    if (connector.kind !== "stud") continue;
    push(studBox(connector.at, connector.facing), true, false, apply(pose.matrix, DIRECTION_VECTORS[connector.facing]));
  }
}
function contractScene(scene, nodes, newOf) {
  const relabel = (node) => node.map((old) => newOf[old]);
  const nodeBoxes = [];
  scene.nodeBoxes.forEach((box, old) => {
    const node = newOf[old];
    const known21 = nodeBoxes[node];
    nodeBoxes[node] = known21 ? unite(known21, box) : box;
  });
  return {
    ...scene,
    nodes,
    nodeBoxes,
    partNode: relabel(scene.partNode),
    bodies: { ...scene.bodies, node: relabel(scene.bodies.node) },
    studs: { ...scene.studs, node: relabel(scene.studs.node) },
    grips: { ...scene.grips, node: relabel(scene.grips.node) },
    freeBodies: scene.freeBodies.map((body) => ({ ...body, node: newOf[body.node] })),
    freeConnectors: scene.freeConnectors.map((connector) => ({ ...connector, node: newOf[connector.node] }))
  };
}
function partHull(placed) {
  return placed.shape.bodies.map((body) => posedBox(placed.pose, body)).reduce(unite);
}
var flat3 = /* @__PURE__ */ new WeakMap();
function flatNodeBoxes(scene) {
  let boxes = flat3.get(scene);
  if (!boxes) {
    boxes = new Float64Array(scene.nodes.length * 6);
    for (let node = 0; node < scene.nodes.length; node++) {
      const { min, max } = scene.nodeBoxes[node];
      boxes.set(min, node * 6);
      boxes.set(max, node * 6 + 3);
    }
    flat3.set(scene, boxes);
  }
  return boxes;
}
var tableBox = (table2, i) => ({
  min: [table2.boxes[i * 6], table2.boxes[i * 6 + 1], table2.boxes[i * 6 + 2]],
  max: [table2.boxes[i * 6 + 3], table2.boxes[i * 6 + 4], table2.boxes[i * 6 + 5]]
});
var asOriented = (box) => orientedBox({ matrix: [1, 0, 0, 0, 1, 0, 0, 0, 1], at: [0, 0, 0] }, box);

// src/core/scene/section.ts
function sectionNodes(model2, flattener, sectionId) {
  const section2 = sectionById(model2, sectionId);
  return [
    ...flattener.own(section2).map((placed) => ({ id: placed.part.id, kind: "part", source: placed.part.shape, parts: [placed] })),
    ...copiesOf(section2).map((copy2) => ({
      id: copy2.id,
      kind: "copy",
      source: `${copy2.section}${copy2.mirror ? " mirrored" : ""}`,
      parts: flattener.copy(section2, copy2)
    }))
  ];
}
function ownPieceCount(model2, sectionId) {
  const parts = partsOf(sectionById(model2, sectionId));
  let known21 = counts.get(parts);
  if (known21 === void 0) {
    known21 = parts.reduce((sum, part2) => sum + pieceCount(part2), 0);
    counts.set(parts, known21);
  }
  return known21;
}
var counts = /* @__PURE__ */ new WeakMap();

// src/core/scene/growing.ts
var GrowingInts = class {
  values;
  length = 0;
  constructor(capacity = 1024) {
    this.values = new Int32Array(capacity);
  }
  push(value) {
    if (this.length === this.values.length) this.grow(this.length + 1);
    this.values[this.length++] = value;
  }
  /** Makes room for `count` more and returns where they begin; write them through `data`. */
  reserve(count) {
    const from = this.length;
    if (from + count > this.values.length) this.grow(from + count);
    this.length += count;
    return from;
  }
  /** The array behind; a later `push` or `reserve` may replace it. */
  get data() {
    return this.values;
  }
  /** The numbers, without the room left over. */
  take() {
    return this.values.subarray(0, this.length);
  }
  grow(least) {
    const larger = new Int32Array(Math.max(least, this.values.length * 2));
    larger.set(this.values);
    this.values = larger;
  }
};

// src/core/motion/columns.ts
var SOLID2 = 0;
var OPEN = 1;
var STUD = 2;
var CELL = [10, 10, 4];
var LATERAL = [
  [1, 2],
  [0, 2],
  [0, 1]
];
var Columns = class {
  count;
  node;
  /** Of each entry, the row of the body, or `bodies.count` + the row of the stud. */
  source;
  kind;
  /** Boxes of all bodies, then of all studs, six numbers each: read through `source`, which keeps the columns small. */
  boxes;
  /** Where the ends of a box stand in its six numbers: along the axis, and across it. */
  along;
  u;
  v;
  next;
  previous;
  nodeStart;
  nodeEntries;
  /** Entries looked at, as a measure of work. */
  visits = 0;
  /** 1 for the lowest entry of each column. */
  isLowest;
  /** @param boxes those of `allBoxes`; it and `scratch` may be shared by the columns of all axes */
  constructor(scene, axis, boxes = allBoxes(scene), scratch = new Scratch()) {
    const drafts = draftEntries(scene, axis, scratch);
    const order = sortedByColumnThenLow(drafts, scratch);
    const count = order.length;
    this.count = count;
    this.boxes = boxes;
    this.along = axis;
    [this.u, this.v] = LATERAL[axis];
    this.node = new Int32Array(count);
    this.source = new Int32Array(count);
    this.kind = new Uint8Array(count);
    this.next = new Int32Array(count);
    this.previous = new Int32Array(count);
    this.isLowest = new Uint8Array(count);
    const { bodies, studs } = scene;
    let lastColumn = -1;
    for (let i = 0; i < count; i++) {
      const draft = order[i];
      const source = drafts.source[draft];
      const isStud = source >= bodies.count;
      const table2 = isStud ? studs : bodies;
      const row = isStud ? source - bodies.count : source;
      this.source[i] = source;
      this.node[i] = table2.node[row];
      this.kind[i] = isStud ? STUD : table2.mark[row] === 1 ? OPEN : SOLID2;
      const column = drafts.column[draft];
      if (column !== lastColumn) this.isLowest[i] = 1;
      lastColumn = column;
    }
    this.restore();
    this.nodeEntries = new Int32Array(this.node.length);
    this.nodeStart = groupByNode(this.node, scene.nodes.length, this.nodeEntries);
  }
  /** Everything stands again as at the beginning. */
  restore() {
    const { count, isLowest, next, previous } = this;
    for (let i = 0; i < count; i++) {
      previous[i] = isLowest[i] === 1 ? -1 : i - 1;
      next[i] = i + 1 === count || isLowest[i + 1] === 1 ? -1 : i + 1;
    }
  }
  /** The entries belong to other nodes now: those of nodes that were drawn together are one node's. Everything stands again. */
  relabel(newOf, nodeCount) {
    const { node } = this;
    for (let entry = 0; entry < node.length; entry++) node[entry] = newOf[node[entry]];
    this.nodeStart = groupByNode(node, nodeCount, this.nodeEntries);
    this.restore();
  }
  overlapsAcross(a, b) {
    const { boxes, source, kind, u, v } = this;
    const i = source[a] * 6;
    const j = source[b] * 6;
    if (boxes[i + u] >= boxes[j + 3 + u] || boxes[j + u] >= boxes[i + 3 + u]) return false;
    if (boxes[i + v] >= boxes[j + 3 + v] || boxes[j + v] >= boxes[i + 3 + v]) return false;
    return kind[a] + kind[b] !== OPEN + STUD;
  }
  /** Whether all that `inner` could meet across is met by `outer` too. */
  covers(outer, inner) {
    const { boxes, source, kind, u, v } = this;
    if (kind[outer] !== SOLID2 && kind[outer] !== kind[inner]) return false;
    const i = source[outer] * 6;
    const j = source[inner] * 6;
    return boxes[i + u] <= boxes[j + u] && boxes[i + v] <= boxes[j + v] && boxes[i + 3 + u] >= boxes[j + 3 + u] && boxes[i + 3 + v] >= boxes[j + 3 + v];
  }
  lowOf(entry) {
    return this.boxes[this.source[entry] * 6 + this.along];
  }
  highOf(entry) {
    return this.boxes[this.source[entry] * 6 + 3 + this.along];
  }
  /**
   * The nearest node in the way of `node` when it leaves up (`sense` 1) or down (−1) the axis; −1 when the way is free.
   * Nodes with `group[n] === stamp` leave together with it and are never in the way; nor are those with `isThere[n] === 0`,
   * which may still stand in their columns.
   */
  blocker(node, sense, isThere, group, stamp) {
    const link = sense === 1 ? this.next : this.previous;
    for (let k = this.nodeStart[node]; k < this.nodeStart[node + 1]; k++) {
      const entry = this.nodeEntries[k];
      for (let other = link[entry]; other >= 0; other = link[other]) {
        this.visits++;
        if (isThere[this.node[other]] === 0) continue;
        if (group[this.node[other]] === stamp) {
          if (this.covers(other, entry)) break;
        } else if (this.overlapsAcross(entry, other)) return this.node[other];
      }
    }
    return -1;
  }
  /** Calls `found` with each present node that stands right in the way of `node`, once a column. */
  eachBlocker(node, sense, isThere, group, stamp, found2) {
    const link = sense === 1 ? this.next : this.previous;
    for (let k = this.nodeStart[node]; k < this.nodeStart[node + 1]; k++) {
      const entry = this.nodeEntries[k];
      for (let other = link[entry]; other >= 0; other = link[other]) {
        this.visits++;
        if (isThere[this.node[other]] === 0) continue;
        if (group[this.node[other]] === stamp) {
          if (this.covers(other, entry)) break;
        } else if (this.overlapsAcross(entry, other)) {
          found2(this.node[other]);
          if (this.covers(other, entry)) break;
        }
      }
    }
  }
  /**
   * For every entry, the nodes below it (`sense` 1) or above it (−1) that pass over it on their way out along the axis:
   * those for which `leaves` holds. Nearer leavers that cover the entry stand for all beyond them.
   */
  eachWait(sense, leaves, wait) {
    const link = sense === 1 ? this.previous : this.next;
    for (let entry = 0; entry < this.count; entry++) {
      const node = this.node[entry];
      for (let other = link[entry]; other >= 0; other = link[other]) {
        this.visits++;
        const leaver = this.node[other];
        if (leaver === node || !leaves(leaver) || !this.overlapsAcross(entry, other)) continue;
        wait(leaver, node);
        if (this.covers(other, entry)) break;
      }
    }
  }
  /** Calls `touch` for each pair of nodes of which the second stands right on the first (bodies, face on face). */
  eachContact(touch) {
    for (let entry = 0; entry < this.count; entry++) {
      if (this.kind[entry] === STUD) continue;
      const high = this.highOf(entry);
      for (let other = this.next[entry]; other >= 0 && this.lowOf(other) <= high; other = this.next[other]) {
        if (this.lowOf(other) !== high || this.kind[other] === STUD) continue;
        if (this.node[other] !== this.node[entry] && this.overlapsAcross(entry, other)) touch(this.node[entry], this.node[other]);
      }
    }
  }
  /** Calls `meet` for each pair of entries of different nodes that share space, by their rows: bodies first, then studs. */
  eachMeeting(meet) {
    const { node, next, source } = this;
    for (let entry = 0; entry < this.count; entry++) {
      const low = this.lowOf(entry);
      const high = this.highOf(entry);
      for (let other = next[entry]; other >= 0 && this.lowOf(other) < high; other = next[other]) {
        if (node[other] !== node[entry] && low < this.highOf(other) && this.overlapsAcross(entry, other))
          meet(source[entry], source[other]);
      }
    }
  }
  /** Takes a node's entries out of their columns. They keep their own links, so they must not be asked about again. */
  remove(node) {
    for (let k = this.nodeStart[node]; k < this.nodeStart[node + 1]; k++) {
      const entry = this.nodeEntries[k];
      const before = this.previous[entry];
      const after = this.next[entry];
      if (before >= 0) this.next[before] = after;
      if (after >= 0) this.previous[after] = before;
    }
  }
};
var Scratch = class {
  tables = [];
  /** A table of this length in a place of its own; what was in it before does not matter. */
  take(place, length2) {
    const known21 = this.tables[place];
    const table2 = known21 && known21.length >= length2 ? known21 : new Int32Array(length2);
    this.tables[place] = table2;
    return table2.subarray(0, length2);
  }
};
function cellsOf(boxes, row, u, v, into) {
  const box = row * 6;
  into[0] = Math.floor(boxes[box + u] / CELL[u]);
  into[1] = Math.ceil(boxes[box + 3 + u] / CELL[u]) - 1;
  into[2] = Math.floor(boxes[box + v] / CELL[v]);
  into[3] = Math.ceil(boxes[box + 3 + v] / CELL[v]) - 1;
}
var DENSE = 24;
function draftEntries(scene, axis, scratch) {
  const [u, v] = LATERAL[axis];
  const cells = [0, 0, 0, 0];
  const each = (visit) => {
    const { bodies, studs } = scene;
    for (let i = 0; i < bodies.count; i++) {
      cellsOf(bodies.boxes, i, u, v, cells);
      visit(i, bodies.boxes[i * 6 + axis]);
    }
    for (let i = 0; i < studs.count; i++) {
      if (studs.mark[i] === axis) continue;
      cellsOf(studs.boxes, i, u, v, cells);
      visit(bodies.count + i, studs.boxes[i * 6 + axis]);
    }
  };
  let count = 0;
  const bounds = [Infinity, -Infinity, Infinity, -Infinity];
  each(() => {
    count += (cells[1] - cells[0] + 1) * (cells[3] - cells[2] + 1);
    if (cells[0] < bounds[0]) bounds[0] = cells[0];
    if (cells[1] > bounds[1]) bounds[1] = cells[1];
    if (cells[2] < bounds[2]) bounds[2] = cells[2];
    if (cells[3] > bounds[3]) bounds[3] = cells[3];
  });
  const across = count === 0 ? 0 : bounds[3] - bounds[2] + 1;
  const grid = count === 0 ? 0 : (bounds[1] - bounds[0] + 1) * across;
  const met = grid > count * DENSE + 65536 ? /* @__PURE__ */ new Map() : void 0;
  const source = scratch.take(0, count);
  const column = scratch.take(1, count);
  const lows = scratch.take(2, count);
  let at = 0;
  each((row, low) => {
    for (let i = cells[0]; i <= cells[1]; i++) {
      for (let j = cells[2]; j <= cells[3]; j++) {
        const cell = (i - bounds[0]) * across + j - bounds[2];
        source[at] = row;
        column[at] = met ? numberOf(met, cell) : cell;
        lows[at++] = low;
      }
    }
  });
  return { source, column, low: lows, columns: met ? met.size : grid };
}
function numberOf(met, cell) {
  let known21 = met.get(cell);
  if (known21 === void 0) met.set(cell, known21 = met.size);
  return known21;
}
function sortedByColumnThenLow({ source, column, columns: columns2, low }, scratch) {
  const count = source.length;
  let least = 0;
  let most = 0;
  for (let i = 0; i < count; i++) {
    if (low[i] < least) least = low[i];
    if (low[i] > most) most = low[i];
  }
  const items = scratch.take(3, count);
  const between = scratch.take(4, count);
  for (let i = 0; i < count; i++) items[i] = i;
  countingSort(items, between, low, least, most - least + 1);
  countingSort(between, items, column, 0, columns2);
  return items;
}
function countingSort(items, sorted, keys, least, range) {
  const starts = new Int32Array(range + 1);
  for (let i = 0; i < items.length; i++) starts[keys[items[i]] - least + 1]++;
  for (let i = 0; i < range; i++) starts[i + 1] += starts[i];
  for (let i = 0; i < items.length; i++) {
    const item = items[i];
    sorted[starts[keys[item] - least]++] = item;
  }
}
function groupByNode(node, nodes, items) {
  const start = new Int32Array(nodes + 1);
  for (let i = 0; i < node.length; i++) start[node[i] + 1]++;
  for (let i = 0; i < nodes; i++) start[i + 1] += start[i];
  const fill = start.slice();
  for (let entry = 0; entry < node.length; entry++) items[fill[node[entry]]++] = entry;
  return start;
}

// src/core/motion/space-left.ts
var travelVector = (travel) => typeof travel === "number" ? DIRECTION_VECTORS[travel] : travel;
var reverseTravel = (travel) => typeof travel === "number" ? travel ^ 1 : scale(travel, -1);
var SpaceLeft = class _SpaceLeft {
  /** @param columns columns of the same boxes, when they are known already */
  constructor(scene, joints, columns2) {
    this.scene = scene;
    this.joints = joints;
    this.columns = columns2 ?? columnsOf(scene);
    this.count = scene.nodes.length;
    this.isThere = new Uint8Array(this.count).fill(1);
    this.group = new Int32Array(this.count);
    const freeOf = /* @__PURE__ */ new Map();
    for (const body of scene.freeBodies) {
      const list = freeOf.get(body.node);
      if (list) list.push(body);
      else freeOf.set(body.node, [body]);
    }
    this.freeOf = freeOf;
    this.reach = 3 * widest(scene);
    if (freeOf.size > 0) this.bodiesOf = rowsByNode(scene);
  }
  scene;
  joints;
  columns;
  isThere;
  count;
  /** Marks of a group that leaves together; `blocker` calls that name no group use one of their own. */
  group;
  stamp = 0;
  /** Something was taken out of the columns. */
  isUnlinked = false;
  freeOf;
  reach;
  bodiesOf;
  get visits() {
    return this.columns[0].visits + this.columns[1].visits + this.columns[2].visits;
  }
  remove(node) {
    this.isUnlinked = true;
    this.isThere[node] = 0;
    this.count--;
    for (const columns2 of this.columns) columns2.remove(node);
  }
  /** The same space with nodes drawn together, everything there. This one must not be used any more. */
  contract(scene, joints, newOf) {
    for (const columns2 of this.columns) columns2.relabel(newOf, scene.nodes.length);
    return new _SpaceLeft(scene, joints, this.columns);
  }
  /** Everything is there again. */
  restore() {
    this.count = this.scene.nodes.length;
    this.isThere.fill(1);
    if (this.isUnlinked) for (const columns2 of this.columns) columns2.restore();
    this.isUnlinked = false;
  }
  /**
   * Everything is there again; who is not is then told through `isThere` alone. Nothing is taken out of the columns, so that
   * a few questions about a large section cost little; many are cheaper with `remove`, which keeps neighbours near.
   */
  restoreLinked() {
    this.restore();
    return this.isThere;
  }
  /** A node in the way of `node` leaving along `travel`, be it in its path or holding it across; −1 when there is none. */
  blocker(node, travel) {
    this.group[node] = ++this.stamp;
    return this.blockerOfMarked(node, travel);
  }
  /** The same for several nodes that leave as one body. */
  groupBlocker(nodes, travel) {
    this.stamp++;
    for (const node of nodes) this.group[node] = this.stamp;
    for (const node of nodes) {
      const blocker = this.blockerOfMarked(node, travel);
      if (blocker >= 0) return blocker;
    }
    return -1;
  }
  blockerOfMarked(node, travel) {
    const across = this.holderAcross(node, travel);
    if (across >= 0) return across;
    if (typeof travel === "number") {
      const found2 = this.columns[axisOf(travel)].blocker(node, senseOf(travel), this.isThere, this.group, this.stamp);
      if (found2 >= 0) return found2;
    }
    return this.freeOf.size === 0 ? -1 : this.freeBlocker(node, travel);
  }
  holderAcross(node, travel) {
    const { start, list, joint: jointAt } = this.joints.adjacency;
    for (let k = start[node]; k < start[node + 1]; k++) {
      const other = list[k];
      const joint = this.joints.list[jointAt[k]];
      if (this.isThere[other] === 0 || this.group[other] === this.stamp) continue;
      if (!isAlong(joint, travel)) return other;
    }
    return -1;
  }
  /** Every node in the way of `node`, next to it in its columns or holding it across. */
  eachBlocker(nodes, travel, found2) {
    this.stamp++;
    for (const node of nodes) this.group[node] = this.stamp;
    for (const node of nodes) {
      const { start, list, joint: jointAt } = this.joints.adjacency;
      for (let k = start[node]; k < start[node + 1]; k++) {
        const other = list[k];
        const joint = this.joints.list[jointAt[k]];
        if (this.isThere[other] === 1 && this.group[other] !== this.stamp && !isAlong(joint, travel)) found2(other);
      }
      this.columns[axisOf(travel)].eachBlocker(node, senseOf(travel), this.isThere, this.group, this.stamp, found2);
      const free2 = this.freeOf.size === 0 ? -1 : this.freeBlocker(node, travel);
      if (free2 >= 0) found2(free2);
    }
  }
  freeBlocker(node, travel) {
    let found2 = -1;
    this.eachFreeBlocker(node, travel, (other) => {
      found2 = other;
      return true;
    });
    return found2;
  }
  /** Every node in the path of `node`, near or far, of which a body is in a free pose (or all, where the travel is free). */
  eachInFreePath(node, travel, found2) {
    if (this.freeOf.size === 0) return;
    this.group[node] = ++this.stamp;
    this.eachFreeBlocker(node, travel, (other) => {
      found2(other);
      return false;
    });
  }
  /** Asks every pair of which one body at least is not in the lattice; stops when `found` returns true. */
  eachFreeBlocker(node, travel, found2) {
    const way = scale(travelVector(travel), this.reach);
    const needsLattice = typeof travel !== "number";
    const reported = /* @__PURE__ */ new Set();
    for (const mine of this.bodies(node)) {
      const swept = sweptHull(mine.hull, way);
      for (let other = 0; other < this.isThere.length; other++) {
        if (this.isThere[other] === 0 || this.group[other] === this.stamp) continue;
        if (reported.has(other) || !mine.isFree && !needsLattice && !this.freeOf.has(other)) continue;
        if (!hullsMeet(swept, this.scene.nodeBoxes[other])) continue;
        for (const theirs of this.bodies(other)) {
          if (!mine.isFree && !theirs.isFree && !needsLattice) continue;
          if (isPassable(mine, theirs, travelVector(travel)) || !hullsMeet(swept, theirs.hull)) continue;
          if (!sweptMeets(mine.shape, theirs.shape, way)) continue;
          reported.add(other);
          if (found2(other)) return;
          break;
        }
      }
    }
  }
  bodies(node) {
    const { scene } = this;
    const list = [];
    for (const row of this.bodiesOf[node]) {
      const isStud = row >= scene.bodies.count;
      const table2 = isStud ? scene.studs : scene.bodies;
      const i = isStud ? row - scene.bodies.count : row;
      const hull = tableBox(table2, i);
      const axis = isStud ? DIRECTION_VECTORS[table2.mark[i] * 2] : [0, 0, 0];
      const isRound = !isStud && table2.mark[i] === MARK.round;
      list.push({
        hull,
        shape: asOriented(isRound ? insideRound(hull) : hull),
        isStud,
        isOpen: !isStud && table2.mark[i] === 1,
        axis,
        isFree: false
      });
    }
    for (const body of this.freeOf.get(node) ?? []) list.push({ ...body, isFree: true });
    return list;
  }
};
function columnsOf(scene) {
  const boxes = allBoxes(scene);
  const scratch = new Scratch();
  const along = (axis) => new Columns(scene, axis, boxes, scratch);
  return [along(0), along(1), along(2)];
}
var ALONG = 0.99996;
function isAlong({ lets, ways }, travel) {
  if (lets !== 0 && typeof travel === "number") return (lets >> axisOf(travel) & 1) === 1;
  const way = travelVector(travel);
  return ways.some((vector) => Math.abs(dot(vector, way)) > ALONG);
}
function isPassable(a, b, travel) {
  if (a.isStud && b.isOpen || b.isStud && a.isOpen) return true;
  const alongOwn = (body) => body.isStud && Math.abs(dot(body.axis, travel)) > ALONG;
  return alongOwn(a) || alongOwn(b);
}
var sweptHull = (hull, way) => ({
  min: hull.min.map((value, i) => value + Math.min(0, way[i])),
  max: hull.max.map((value, i) => value + Math.max(0, way[i]))
});
function hullsMeet(a, b) {
  return [0, 1, 2].every((i) => a.min[i] < b.max[i] + 2 && b.min[i] - 2 < a.max[i]);
}
function widest(scene) {
  let most = 100;
  for (const box of scene.nodeBoxes)
    for (const axis of [0, 1, 2]) most = Math.max(most, Math.abs(box.min[axis]), Math.abs(box.max[axis]));
  return most;
}
function rowsByNode(scene) {
  const rows2 = scene.nodes.map(() => []);
  scene.bodies.node.forEach((node, i) => rows2[node].push(i));
  scene.studs.node.forEach((node, i) => rows2[node].push(scene.bodies.count + i));
  return rows2;
}
var waysAlong = ({ ways }) => ways.flatMap((way) => [way, scale(way, -1)]);

// src/core/motion/overlap.ts
function findOverlaps(scene, joints) {
  const received = receivedPlaces(joints, scene.parts.length);
  const found2 = /* @__PURE__ */ new Map();
  const note2 = (a, b) => {
    const key = pairKey(a.part, b.part, scene.parts.length);
    if (found2.has(key) || isReceived(a, b, received.get(key))) return;
    found2.set(key, { a: Math.min(a.part, b.part), b: Math.max(a.part, b.part) });
  };
  const rows2 = new LatticeRows(scene);
  for (const axis of [2, 0]) new Columns(scene, axis).eachMeeting((one, other) => note2(rows2.item(one), rows2.item(other)));
  if (scene.freeBodies.length > 0) meetFree(scene, rows2, note2);
  return [...found2.values()].sort((one, other) => one.a - other.a || one.b - other.b);
}
var LatticeRows = class {
  constructor(scene) {
    this.scene = scene;
    this.feet = studFeet(scene);
    this.count = scene.bodies.count + scene.studs.count;
  }
  scene;
  feet;
  count;
  row(source) {
    const { bodies, studs } = this.scene;
    const isStud = source >= bodies.count;
    return { table: isStud ? studs : bodies, row: isStud ? source - bodies.count : source, isStud };
  }
  item(source) {
    const { table: table2, row, isStud } = this.row(source);
    const isOpen = !isStud && table2.mark[row] === 1;
    return { node: table2.node[row], part: table2.part[row], isOpen, foot: isStud ? this.feet[row] : void 0 };
  }
};
function studFeet(scene) {
  const feet = [];
  const { at, role, count } = scene.grips;
  for (let i = 0; i < count; i++) if (role[i] === ROLE.stud) feet.push([at[i * 3], at[i * 3 + 1], at[i * 3 + 2]]);
  return feet;
}
var pairKey = (a, b, parts) => Math.min(a, b) * parts + Math.max(a, b);
function receivedPlaces({ held }, parts) {
  const places = /* @__PURE__ */ new Map();
  for (let i = 0; i < held.studPart.length; i++) {
    const key = pairKey(held.studPart[i], held.socketPart[i], parts);
    const place = [held.places[i * 3], held.places[i * 3 + 1], held.places[i * 3 + 2]];
    const known21 = places.get(key);
    if (known21) known21.push(place);
    else places.set(key, [place]);
  }
  return places;
}
function isReceived(a, b, places) {
  const foot = a.foot ?? b.foot;
  if (!foot || !places || a.foot && b.foot) return false;
  return places.some((place) => length(subtract(place, foot)) <= FREE_TOLERANCE);
}
var STILL = [0, 0, 0];
function meetFree(scene, rows2, note2) {
  const free2 = freeItems(scene);
  free2.forEach(({ body, item }, i) => {
    for (let source = 0; source < rows2.count; source++) {
      const { table: table2, row, isStud } = rows2.row(source);
      if (table2.node[row] === item.node) continue;
      const hull = tableBox(table2, row);
      if (!boxesMeet(body.hull, hull) || passes(item, rows2.item(source), body.isStud, isStud)) continue;
      const isRound = !isStud && table2.mark[row] === MARK.round;
      if (sweptMeets(body.shape, asOriented(isRound ? insideRound(hull) : hull), STILL)) note2(item, rows2.item(source));
    }
    for (const other of free2.slice(i + 1)) {
      if (other.item.node === item.node || !boxesMeet(body.hull, other.body.hull)) continue;
      if (passes(item, other.item, body.isStud, other.body.isStud)) continue;
      if (sweptMeets(body.shape, other.body.shape, STILL)) note2(item, other.item);
    }
  });
}
var passes = (a, b, aIsStud, bIsStud) => aIsStud && b.isOpen || bIsStud && a.isOpen;
function freeItems(scene) {
  const feet = scene.freeConnectors.filter((connector) => connector.isStud).map((connector) => connector.at);
  let stud = 0;
  return scene.freeBodies.map((body) => {
    const foot = body.isStud ? feet[stud++] : void 0;
    return { body, item: { node: body.node, part: body.part, isOpen: body.isOpen, foot } };
  });
}

// src/core/motion/press.ts
function pressBlocker(space, node, out, press) {
  const { start, list, joint } = space.joints.adjacency;
  for (let k = start[node]; k < start[node + 1]; k++) {
    if (space.isThere[list[k]] === 1 && !isAlong(space.joints.list[joint[k]], press)) return list[k];
  }
  let found2 = -1;
  eachPressObstacle(space, node, out, press, (other) => {
    found2 = other;
    return true;
  });
  return found2;
}
function eachPressObstacle(space, node, out, press, found2) {
  const { scene, isThere } = space;
  const rows2 = rowsOf(scene);
  const stages = [liftStage(scene, rows2[node], press), slideStage(scene, rows2[node], out, press)];
  for (let other = 0; other < isThere.length; other++) {
    if (other === node || isThere[other] === 0) continue;
    if (stages.some((stage) => meetsNode(scene, rows2[other], stage)) && found2(other)) return;
  }
}
var BODY = 0;
var OPEN2 = 1;
var STUD2 = 2;
var FAR = 1e6;
var known5 = /* @__PURE__ */ new WeakMap();
function rowsOf(scene) {
  let rows2 = known5.get(scene);
  if (!rows2) {
    rows2 = scene.nodes.map(() => ({ bodies: [], studs: [] }));
    for (let i = 0; i < scene.bodies.count; i++) rows2[scene.bodies.node[i]].bodies.push(i);
    for (let i = 0; i < scene.studs.count; i++) rows2[scene.studs.node[i]].studs.push(i);
    known5.set(scene, rows2);
  }
  return rows2;
}
function boxesOf(scene, rows2, travelAxis) {
  const box = (table2, i, kind) => [...table2.boxes.subarray(i * 6, i * 6 + 6), kind];
  return [
    ...rows2.bodies.map((i) => box(scene.bodies, i, scene.bodies.mark[i] === 1 ? OPEN2 : BODY)),
    ...rows2.studs.filter((i) => scene.studs.mark[i] !== travelAxis).map((i) => box(scene.studs, i, STUD2))
  ];
}
function stretch(box, direction2, by) {
  const stretched = [...box];
  const axis = axisOf(direction2);
  if (senseOf(direction2) === 1) stretched[axis + 3] += by;
  else stretched[axis] -= by;
  return stretched;
}
function liftStage(scene, rows2, press) {
  const axis = axisOf(press);
  return { axis, boxes: boxesOf(scene, rows2, axis).map((box) => stretch(box, press ^ 1, STUD_HEIGHT)) };
}
function slideStage(scene, rows2, out, press) {
  const axis = axisOf(out);
  const lift = -senseOf(press) * STUD_HEIGHT;
  const lifted = boxesOf(scene, rows2, axis).map((box) => {
    const moved = [...box];
    moved[axisOf(press)] += lift;
    moved[axisOf(press) + 3] += lift;
    return stretch(moved, out, FAR);
  });
  return { axis, boxes: lifted };
}
function meetsNode(scene, rows2, stage) {
  const meets2 = (table2, i, kind) => {
    const at = i * 6;
    const { boxes } = table2;
    return stage.boxes.some(
      (box) => box[6] + kind !== OPEN2 + STUD2 && box[0] < boxes[at + 3] && boxes[at] < box[3] && box[1] < boxes[at + 4] && boxes[at + 1] < box[4] && box[2] < boxes[at + 5] && boxes[at + 2] < box[5]
    );
  };
  return rows2.bodies.some((i) => meets2(scene.bodies, i, scene.bodies.mark[i] === 1 ? OPEN2 : BODY)) || rows2.studs.some((i) => scene.studs.mark[i] !== stage.axis && meets2(scene.studs, i, STUD2));
}
var PRESSES = [5, 3, 2, 0, 1, 4].flatMap(
  (press) => [3, 2, 0, 1, 4, 5].filter((out) => axisOf(out) !== axisOf(press)).map((out) => ({ out, press }))
);

// src/core/plan/types.ts
var NORMAL_LIMITS = { parts: 8, kinds: 4, inAll: 16 };
var REST_STEPS = 3;

// src/core/count/count.ts
function tally(pieces) {
  const sums = /* @__PURE__ */ new Map();
  for (const piece of pieces) {
    if (piece.count === 0) continue;
    const key = pieceKey(piece);
    const known21 = sums.get(key);
    if (known21) known21.count += piece.count;
    else sums.set(key, { ...piece });
  }
  return [...sums.values()].sort(
    (a, b) => compare(a.shape, b.shape) || compare(a.colour, b.colour) || (a.length ?? 0) - (b.length ?? 0) || compare(workKey(a.work), workKey(b.work))
  );
}
var workKey = (work = []) => work.map(({ kind, note: note2 = "", decal: decal2 = "", face = "", at = "", turn: turn2 = "" }) => [kind, note2, decal2, face, at, turn2].join(":")).join("|");
var pieceKey = ({ shape, colour: colour2, length: length2, work }) => length2 === void 0 && (work === void 0 || work.length === 0) ? `${shape}
${colour2}` : `${shape}
${colour2}
${length2 ?? ""}
${workKey(work)}`;
function compare(a, b) {
  const split = (text) => text.split(/(\d+)/);
  const left = split(a);
  const right = split(b);
  for (let i = 0; i < Math.min(left.length, right.length); i++) {
    if (left[i] === right[i]) continue;
    const difference = Number(left[i]) - Number(right[i]);
    if (!Number.isNaN(difference) && difference !== 0) return difference;
    return left[i] < right[i] ? -1 : 1;
  }
  return left.length - right.length;
}
var total = (pieces) => pieces.reduce((sum, piece) => sum + piece.count, 0);
function pieceOf(part2) {
  const { shape, colour: colour2, length: length2, work } = part2;
  const count = pieceCount(part2);
  if (length2 === void 0 && (work === void 0 || work.length === 0)) return { shape, colour: colour2, count };
  return { shape, colour: colour2, count, ...length2 === void 0 ? {} : { length: length2 }, ...work && work.length > 0 ? { work } : {} };
}
var trayOf = (parts) => {
  const pieces = [];
  for (const part2 of parts) pieces.push(pieceOf(part2));
  return tally(pieces);
};
function mirrorTray(model2, pieces) {
  const { shapes } = catalogueOf(model2);
  return tally(pieces.map((piece) => ({ ...piece, shape: shapes.get(piece.shape)?.mirror.twin ?? piece.shape })));
}
var times = (pieces, factor) => pieces.map((piece) => ({ ...piece, count: piece.count * factor }));
var trays = /* @__PURE__ */ new WeakMap();
function sectionTray(parts) {
  let known21 = trays.get(parts);
  if (!known21) trays.set(parts, known21 = trayOf(parts));
  return known21;
}
function inventoryOf(model2) {
  const uses = sectionUses(model2);
  return tally(
    model2.sections.flatMap((section2) => {
      const own = sectionTray(partsOf(section2));
      const use = uses.get(section2.id);
      return [...times(own, use.times), ...use.mirrored === 0 ? [] : times(mirrorTray(model2, own), use.mirrored)];
    })
  );
}
function coloursOf(pieces) {
  const sums = /* @__PURE__ */ new Map();
  for (const { colour: colour2, count } of pieces) sums.set(colour2, (sums.get(colour2) ?? 0) + count);
  return [...sums].map(([colour2, count]) => ({ colour: colour2, count })).sort((a, b) => b.count - a.count || compare(a.colour, b.colour));
}

// src/core/count/letters.ts
var LETTERS = "ABCDEFGHJKLMNPRSTUVWXYZ";
function lettersOf(pieces, colours) {
  const letters = /* @__PURE__ */ new Map();
  if (pieces.length < 2) return letters;
  const sorted = [...pieces].sort((a, b) => pieceKey(a) < pieceKey(b) ? -1 : 1);
  for (const piece of sorted) {
    const mine = colours.get(piece.colour);
    const isAlike = sorted.some((other) => {
      const theirs = colours.get(other.colour);
      if (other.shape !== piece.shape || other.colour === piece.colour || !mine || !theirs) return false;
      return mine.finish === theirs.finish && alikeFor(mine.hex, theirs.hex) !== "none";
    });
    if (isAlike && letters.size < LETTERS.length) letters.set(pieceKey(piece), LETTERS[letters.size]);
  }
  return letters;
}

// src/core/joints/point-hash.ts
var PointHash = class {
  constructor(points) {
    this.points = points;
    let size2 = 16;
    while (size2 < points.count * 2) size2 *= 2;
    this.mask = size2 - 1;
    this.heads = new Int32Array(size2).fill(-1);
    this.next = new Int32Array(Math.max(1, points.count)).fill(-1);
  }
  points;
  mask;
  heads;
  /** The point put at the same place before, or −1. */
  next;
  /** Slots looked at, as a measure of work. */
  probes = 0;
  slot(x, y, z, code) {
    const { at, code: codes } = this.points;
    let hash = Math.imul(x, 2654435761) ^ Math.imul(y, 2246822519) ^ Math.imul(z, 3266489917) ^ Math.imul(code, 668265263);
    hash ^= hash >>> 15;
    let slot2 = hash & this.mask;
    for (; ; ) {
      this.probes++;
      const head2 = this.heads[slot2];
      if (head2 < 0 || at[head2 * 3] === x && at[head2 * 3 + 1] === y && at[head2 * 3 + 2] === z && codes[head2] === code) return slot2;
      slot2 = slot2 + 1 & this.mask;
    }
  }
  /** Puts a point of the table. */
  put(point2) {
    const { at, code: codes } = this.points;
    const slot2 = this.slot(at[point2 * 3], at[point2 * 3 + 1], at[point2 * 3 + 2], codes[point2]);
    this.next[point2] = this.heads[slot2];
    this.heads[slot2] = point2;
  }
  /** @returns the last point put at the place, or −1; follow `next` for the others. */
  first(x, y, z, code) {
    return this.heads[this.slot(x, y, z, code)];
  }
};

// src/core/joints/joints.ts
var AXIS_VECTORS = [
  [1, 0, 0],
  [0, 1, 0],
  [0, 0, 1]
];
var WAYS = Array.from({ length: 8 }, (_, bits) => AXIS_VECTORS.filter((_v, axis) => bits >> axis & 1));
function findJoints(scene) {
  const hash = hashReceivers(scene.grips);
  const collector = new Collector(scene.nodes.length);
  joinLattice(scene.grips, hash, collector);
  joinFree(scene, collector);
  return collector.finish(hash.probes);
}
var areAlike = (a, b) => a.length === b.length && a.every((way, i) => Math.abs(dot(way, b[i])) > AGREES);
var Collector = class {
  /** @param expected how many studs are gathered, about */
  constructor(nodeCount, expected = 1024) {
    this.nodeCount = nodeCount;
    this.places = new Float32Array(expected * 3 + 3);
  }
  nodeCount;
  /** Of each pair of nodes, the last joint found; from each joint the one before it of the same pair, −1 for none. */
  lastOf = /* @__PURE__ */ new Map();
  before = new GrowingInts();
  joints = [];
  jointOf = new GrowingInts();
  studPart = new GrowingInts();
  socketPart = new GrowingInts();
  /** Single precision: exact in the lattice, and far within the tolerance elsewhere. */
  places;
  add(gives, receives, { lets, ways, hold }, x, y, z, miss = 0) {
    if (gives.node === receives.node) return;
    const joint = this.jointFor(Math.min(gives.node, receives.node), Math.max(gives.node, receives.node), lets, ways, hold);
    this.joints[joint].studs++;
    if (miss > this.joints[joint].miss) this.joints[joint].miss = miss;
    const at = this.jointOf.length * 3;
    if (at + 3 > this.places.length) {
      const larger = new Float32Array(this.places.length * 2);
      larger.set(this.places);
      this.places = larger;
    }
    this.places[at] = x;
    this.places[at + 1] = y;
    this.places[at + 2] = z;
    this.jointOf.push(joint);
    this.studPart.push(gives.part);
    this.socketPart.push(receives.part);
  }
  jointFor(a, b, lets, ways, hold) {
    const key = a * this.nodeCount + b;
    const last = this.lastOf.get(key) ?? -1;
    for (let index = last; index >= 0; index = this.before.data[index]) {
      const joint = this.joints[index];
      if (joint.lets === lets && joint.hold === hold && (lets !== 0 || areAlike(joint.ways, ways))) return index;
    }
    this.before.push(last);
    this.lastOf.set(key, this.joints.length);
    return this.joints.push({ a, b, lets, ways, hold, studs: 0, miss: 0 }) - 1;
  }
  finish(probes) {
    return { list: this.joints, adjacency: adjacencyOf(this.joints, this.nodeCount), held: this.heldStuds(), probes };
  }
  heldStuds() {
    const count = this.jointOf.length;
    const jointOf = this.jointOf.take();
    const start = new Int32Array(this.joints.length + 1);
    this.joints.forEach((joint, i) => {
      start[i + 1] = start[i] + joint.studs;
    });
    const fill = start.slice();
    const held = { start, studPart: new Int32Array(count), socketPart: new Int32Array(count), places: new Float32Array(count * 3) };
    for (let i = 0; i < count; i++) {
      const at = fill[jointOf[i]]++;
      held.studPart[at] = this.studPart.data[i];
      held.socketPart[at] = this.socketPart.data[i];
      for (let k = 0; k < 3; k++) held.places[at * 3 + k] = this.places[i * 3 + k];
    }
    return held;
  }
};
function adjacencyOf(joints, nodes) {
  const start = new Int32Array(nodes + 1);
  for (const { a, b } of joints) {
    start[a + 1]++;
    start[b + 1]++;
  }
  for (let i = 0; i < nodes; i++) start[i + 1] += start[i];
  const fill = start.slice();
  const list = new Int32Array(joints.length * 2);
  const joint = new Int32Array(joints.length * 2);
  joints.forEach(({ a, b }, i) => {
    joint[fill[a]] = i;
    list[fill[a]++] = b;
    joint[fill[b]] = i;
    list[fill[b]++] = a;
  });
  return { start, list, joint };
}
function contractJoints(joints, newOf, nodeCount) {
  const { start, studPart, socketPart, places } = joints.held;
  const collector = new Collector(nodeCount, studPart.length);
  joints.list.forEach((old, joint) => {
    const [first, second] = [newOf[old.a], newOf[old.b]];
    for (let i = start[joint]; i < start[joint + 1]; i++) {
      const [gives, receives] = [
        { node: first, part: studPart[i] },
        { node: second, part: socketPart[i] }
      ];
      collector.add(gives, receives, old, places[i * 3], places[i * 3 + 1], places[i * 3 + 2], old.miss);
    }
  });
  return collector.finish(joints.probes);
}
function placesOf(joints, joint) {
  const { start, places } = joints.held;
  const found2 = [];
  for (let i = start[joint]; i < start[joint + 1]; i++) found2.push([places[i * 3], places[i * 3 + 1], places[i * 3 + 2]]);
  return found2;
}
function hashReceivers(table2) {
  const hash = new PointHash(table2);
  for (let i = 0; i < table2.count; i++) if (table2.role[i] === ROLE.receives) hash.put(i);
  return hash;
}
function joinLattice(table2, receivers, into) {
  const { at, code, role, lets, node, part: part2 } = table2;
  for (let i = 0; i < table2.count; i++) {
    if (role[i] === ROLE.receives) continue;
    const [x, y, z] = [at[i * 3], at[i * 3 + 1], at[i * 3 + 2]];
    for (let found2 = receivers.first(x, y, z, code[i]); found2 >= 0; found2 = receivers.next[found2]) {
      const gives = { node: node[i], part: part2[i] };
      const receives = { node: node[found2], part: part2[found2] };
      into.add(gives, receives, { lets: lets[found2], ways: WAYS[lets[found2]], hold: holdOfCode(code[i]) }, x, y, z);
    }
  }
}
var AGREES = 0.99996;
function joinFree(scene, into) {
  if (scene.freeConnectors.length === 0) return;
  const all2 = [...scene.freeConnectors, ...latticeConnectors(scene.grips)];
  const buckets = /* @__PURE__ */ new Map();
  for (const connector of all2) {
    if (connector.gives) continue;
    const key = connector.at.map(Math.floor).join();
    const bucket2 = buckets.get(key);
    if (bucket2) bucket2.push(connector);
    else buckets.set(key, [connector]);
  }
  const isFree = new Set(scene.freeConnectors);
  for (const gives of all2) {
    if (!gives.gives) continue;
    for (const key of reachableBuckets(gives.at)) {
      for (const receives of buckets.get(key) ?? []) {
        if (!isFree.has(gives) && !isFree.has(receives)) continue;
        const miss = missOf(gives, receives);
        if (miss !== void 0) into.add(gives, receives, freedomOf(receives), ...gives.at, miss);
      }
    }
  }
}
function missOf(gives, receives) {
  if (gives.hold !== receives.hold) return void 0;
  const agreement = AGREEMENT[gives.hold];
  if (agreement === "facing" && dot(gives.way, receives.way) > -AGREES) return void 0;
  if (agreement === "axis" && Math.abs(dot(gives.way, receives.way)) < AGREES) return void 0;
  const apart = subtract(receives.at, gives.at);
  const along = agreement === "axis" ? dot(apart, gives.way) : 0;
  const across = subtract(apart, scale(gives.way, along));
  const miss = Math.hypot(...across);
  return Math.abs(along) <= HALF_STEP && miss <= FREE_TOLERANCE ? miss : void 0;
}
var HALF_STEP = 0.5;
var REACH = Math.hypot(HALF_STEP, FREE_TOLERANCE);
function freedomOf({ lets, hold }) {
  const axes = lets.map((way) => AXIS_VECTORS.findIndex((axis) => Math.abs(dot(axis, way)) > AGREES));
  if (axes.includes(-1)) return { lets: 0, ways: lets, hold };
  const bits = axes.reduce((sum, axis) => sum | 1 << axis, 0);
  return { lets: bits, ways: WAYS[bits], hold };
}
function reachableBuckets(at) {
  const keys = /* @__PURE__ */ new Set();
  const low = at.map((value) => Math.floor(value - REACH));
  const high = at.map((value) => Math.floor(value + REACH));
  for (let x = low[0]; x <= high[0]; x++)
    for (let y = low[1]; y <= high[1]; y++) for (let z = low[2]; z <= high[2]; z++) keys.add([x, y, z].join());
  return keys;
}

// src/core/joints/connected.ts
function neighboursOf({ adjacency }, node) {
  return adjacency.list.subarray(adjacency.start[node], adjacency.start[node + 1]);
}
function jointsOf({ adjacency, list }, node) {
  return Array.from(adjacency.joint.subarray(adjacency.start[node], adjacency.start[node + 1]), (index) => list[index]);
}

// src/core/joints/bridges.ts
function findBridges(joints, nodeCount) {
  const { start, list, joint } = joints.adjacency;
  const order = new Int32Array(nodeCount).fill(-1);
  const low = new Int32Array(nodeCount);
  const cursor = start.slice(0, nodeCount);
  const via = new Int32Array(nodeCount).fill(-1);
  const met = [];
  const bridges = [];
  for (let root = 0; root < nodeCount; root++) {
    if (order[root] >= 0) continue;
    const stack = [root];
    order[root] = low[root] = met.push(root) - 1;
    while (stack.length > 0) {
      const node = stack[stack.length - 1];
      if (cursor[node] < start[node + 1]) {
        const k = cursor[node]++;
        const other = list[k];
        if (joint[k] === via[node]) continue;
        if (order[other] >= 0) low[node] = Math.min(low[node], order[other]);
        else {
          via[other] = joint[k];
          order[other] = low[other] = met.push(other) - 1;
          stack.push(other);
        }
        continue;
      }
      stack.pop();
      const parent = stack[stack.length - 1];
      if (parent === void 0) continue;
      low[parent] = Math.min(low[parent], low[node]);
      if (low[node] === order[node]) bridges.push({ joint: via[node], beyond: met.slice(order[node]) });
    }
  }
  return bridges;
}
function findCutNodes(joints, nodeCount) {
  const { start, list } = joints.adjacency;
  const order = new Int32Array(nodeCount).fill(-1);
  const low = new Int32Array(nodeCount);
  const cursor = start.slice(0, nodeCount);
  const isCut = new Uint8Array(nodeCount);
  let count = 0;
  for (let root = 0; root < nodeCount; root++) {
    if (order[root] >= 0) continue;
    const stack = [root];
    order[root] = low[root] = count++;
    let children = 0;
    while (stack.length > 0) {
      const node = stack[stack.length - 1];
      if (cursor[node] < start[node + 1]) {
        const other = list[cursor[node]++];
        if (order[other] >= 0) low[node] = Math.min(low[node], order[other]);
        else {
          order[other] = low[other] = count++;
          stack.push(other);
          if (node === root) children++;
        }
        continue;
      }
      stack.pop();
      const parent = stack[stack.length - 1];
      if (parent === void 0) continue;
      low[parent] = Math.min(low[parent], low[node]);
      if (parent !== root && low[node] >= order[parent]) isCut[parent] = 1;
    }
    if (children > 1) isCut[root] = 1;
  }
  return isCut;
}

// src/core/plan/groups.ts
var Groups = class {
  root;
  sizes;
  /** Step in which the oldest member of a group was laid down, by root. */
  born;
  constructor(count) {
    this.root = new Int32Array(count);
    for (let i = 0; i < count; i++) this.root[i] = i;
    this.sizes = new Int32Array(count).fill(1);
    this.born = new Int32Array(count);
  }
  of(node) {
    const { root } = this;
    while (root[node] !== node) {
      root[node] = root[root[node]];
      node = root[node];
    }
    return node;
  }
  lay(node, step2) {
    this.born[node] = step2;
  }
  bornIn(group) {
    return this.born[group];
  }
  /** Joins two groups; the older birth stays. @returns the root of the joined group and the one that is no more. */
  join(a, b) {
    let kept = this.of(a);
    let gone = this.of(b);
    if (kept === gone) return void 0;
    if (this.sizes[kept] < this.sizes[gone]) [kept, gone] = [gone, kept];
    this.root[gone] = kept;
    this.sizes[kept] += this.sizes[gone];
    this.born[kept] = Math.min(this.born[kept], this.born[gone]);
    return { kept, gone };
  }
};

// src/core/plan/holding.ts
function followHolding(scene, joints, steps2) {
  return new Follower(scene, joints).follow(steps2);
}
var NONE = [];
var emptySets = /* @__PURE__ */ new WeakMap();
function emptyNodes(scene) {
  let empty = emptySets.get(scene);
  if (!empty) emptySets.set(scene, empty = Uint8Array.from(scene.nodes, ({ parts }) => parts.length === 0 ? 1 : 0));
  return empty;
}
var Follower = class {
  constructor(scene, joints) {
    this.joints = joints;
    const count = scene.nodes.length;
    this.isMain = new Uint8Array(count);
    this.isLoose = new Uint8Array(count);
    this.groups = new Groups(count);
    this.next = new Int32Array(count).fill(-1);
    this.last = new Int32Array(count);
    for (let i = 0; i < count; i++) this.last[i] = i;
    this.boxes = flatNodeBoxes(scene);
    this.isEmpty = emptyNodes(scene);
  }
  joints;
  /** 1 for what holds to the first group of all. */
  isMain;
  /** What lies loose, in groups by their root. A group is a chain of nodes through `next`, from its root to `last`. */
  groups;
  loose = /* @__PURE__ */ new Map();
  isLoose;
  next;
  last;
  boxes;
  isEmpty;
  hasMain = false;
  table = Infinity;
  problems = [];
  follow(steps2) {
    const looseAfter = [];
    const rests = steps2.map((step2, index) => {
      for (const node of step2) this.lay(node, index);
      looseAfter.push(this.loose.size);
      return this.loose.size === 0 ? NONE : this.lookAt(index, index === steps2.length - 1);
    });
    this.judgeWhatIsLeft();
    return { rests, looseAfter, problems: this.problems };
  }
  lay(node, index) {
    const { isMain } = this;
    if (this.isEmpty[node] === 1) return;
    if (this.boxes[node * 6 + 2] < this.table) this.table = this.boxes[node * 6 + 2];
    const { start, list } = this.joints.adjacency;
    const end = start[node + 1];
    let holdsToMain = !this.hasMain;
    this.hasMain = true;
    for (let k = start[node]; k < end && !holdsToMain; k++) holdsToMain = isMain[list[k]] === 1;
    if (holdsToMain) isMain[node] = 1;
    else {
      this.groups.lay(node, index);
      this.isLoose[node] = 1;
      this.loose.set(node, { isReported: false, rests: [] });
    }
    if (holdsToMain && this.loose.size === 0) return;
    for (let k = start[node]; k < end; k++) {
      if (this.isLoose[list[k]] === 0) continue;
      if (holdsToMain) this.joinMain(this.groups.of(list[k]));
      else this.joinLoose(node, list[k]);
    }
  }
  joinMain(root) {
    this.loose.delete(root);
    for (let node = root; node >= 0; node = this.next[node]) {
      this.isLoose[node] = 0;
      this.isMain[node] = 1;
    }
  }
  joinLoose(node, other) {
    const { loose, next, last } = this;
    const joined = this.groups.join(node, other);
    if (!joined) return;
    const { kept, gone } = joined;
    next[last[kept]] = gone;
    last[kept] = last[gone];
    const more = loose.get(kept);
    const fewer = loose.get(gone);
    more.isReported ||= fewer.isReported;
    more.rests.push(...fewer.rests);
    loose.delete(gone);
  }
  /** What lies loose after a step. @returns one node of every group laid down in it */
  lookAt(index, isLast) {
    const { groups } = this;
    const laid = [];
    for (const [root, group] of this.loose) {
      const born = groups.bornIn(root);
      if (born === index) laid.push(this.lowestNumber(root));
      if (group.isReported) continue;
      if (!this.isOnTable(root)) {
        this.problems.push({ code: "unheld", step: index, nodes: this.nodesOf(root) });
        group.isReported = true;
      } else if (index - born >= REST_STEPS && !isLast) {
        const problem = { code: "rests", step: born, nodes: this.nodesOf(root) };
        this.problems.push(problem);
        group.rests.push(problem);
        group.isReported = true;
      }
    }
    return laid.sort((a, b) => a - b);
  }
  judgeWhatIsLeft() {
    for (const [root, group] of this.loose) {
      for (const problem of group.rests) this.problems.splice(this.problems.indexOf(problem), 1);
      if (group.isReported && group.rests.length === 0) continue;
      this.problems.push({ code: "unheld", step: this.groups.bornIn(root), nodes: this.nodesOf(root) });
    }
  }
  nodesOf(root) {
    const nodes = [];
    for (let node = root; node >= 0; node = this.next[node]) nodes.push(node);
    return nodes;
  }
  lowestNumber(root) {
    return Math.min(...this.nodesOf(root));
  }
  isOnTable(root) {
    for (let node = root; node >= 0; node = this.next[node]) if (this.boxes[node * 6 + 2] === this.table) return true;
    return false;
  }
};

// src/core/plan/signature.ts
var LANE = 2 ** 26;
function signaturesBefore(order) {
  const before = new Float64Array(order.length + 1);
  let high = 0;
  let low = 0;
  for (let i = 0; i < order.length; i++) {
    before[i] = high * LANE + low;
    high ^= scramble(order[i] * 2 + 1) >>> 6;
    low ^= scramble(order[i] * 2 + 2) >>> 6;
  }
  before[order.length] = high * LANE + low;
  return before;
}
var known6 = /* @__PURE__ */ new WeakMap();
function orderSets(steps2) {
  let sets = known6.get(steps2);
  if (!sets) {
    const order = orderOf(steps2);
    known6.set(steps2, sets = { order, before: signaturesBefore(order) });
  }
  return sets;
}
function orderOf(steps2) {
  let count = 0;
  for (const step2 of steps2) count += step2.length;
  const order = new Int32Array(count);
  let at = 0;
  for (const step2 of steps2) for (let i = 0; i < step2.length; i++) order[at++] = step2[i];
  return order;
}
function scramble(value) {
  let h = Math.imul(value, 2654435761);
  h ^= h >>> 16;
  h = Math.imul(h, 2246822507);
  h ^= h >>> 13;
  h = Math.imul(h, 3266489909);
  return (h ^ h >>> 16) >>> 0;
}

// src/core/plan/given.ts
var GivenSpaces = class {
  known = /* @__PURE__ */ new Map();
  of(model2, flattener, section2) {
    const key = keyOf(model2, section2);
    const entry = this.known.get(section2.id);
    if (entry && entry.key.length === key.length && entry.key.every((value, i) => value === key[i])) return entry.space;
    const space = makeSpace(model2, flattener, section2);
    this.known.set(section2.id, { key, space });
    return space;
  }
};
function keyOf(model2, section2) {
  const key = [section2.parts, section2.copies, model2.shapes];
  const seen2 = /* @__PURE__ */ new Set();
  const visit = (copied) => {
    for (const { section: id2 } of copiesOf(copied)) {
      if (seen2.has(id2)) continue;
      seen2.add(id2);
      const inner = model2.sections.find((candidate) => candidate.id === id2);
      key.push(inner.parts, inner.copies);
      visit(inner);
    }
  };
  visit(section2);
  return key;
}
function makeSpace(model2, flattener, section2) {
  const scene = buildScene(sectionNodes(model2, flattener, section2.id));
  const joints = findJoints(scene);
  return {
    scene,
    joints,
    space: new SpaceLeft(scene, joints),
    indexOf: new Map(scene.nodes.map((spec, node) => [spec.id, node])),
    looseIds: new Set(
      partsOf(section2).filter(isLoose).map((part2) => part2.id)
    ),
    everything: [...partsOf(section2), ...copiesOf(section2)].map((entry) => entry.id),
    read: /* @__PURE__ */ new WeakMap(),
    ways: {
      present: new Float64Array(scene.nodes.length).fill(-1),
      arrives: scene.nodes.map(() => MINUS_Z),
      presses: /* @__PURE__ */ new Map(),
      blocks: /* @__PURE__ */ new Map()
    }
  };
}
function followGiven(model2, flattener, section2, given, spaces = new GivenSpaces()) {
  const around = spaces.of(model2, flattener, section2);
  const listed = listSteps(given, around);
  const { scene, joints } = around;
  return {
    id: section2.id,
    name: section2.name,
    base: section2.id,
    derivedFrom: void 0,
    scene,
    joints,
    ...listed,
    ...waysIn(around, orderSets(listed.steps)),
    holding: followHolding(scene, joints, listed.steps),
    lies: givenLies(given)
  };
}
function givenLies(given) {
  let lie = NO_TURN;
  return given.map(({ turn: turn2 }) => lie = turn2 === void 0 ? lie : turnFromText(turn2));
}
function listSteps(given, around) {
  const { scene, looseIds, everything } = around;
  const seen2 = new Uint8Array(scene.nodes.length);
  const seenLoose = /* @__PURE__ */ new Set();
  const twice = [];
  const steps2 = [];
  const looseParts2 = [];
  let count = 0;
  for (let i = 0; i < given.length; i++) {
    const { nodes, loose } = readStep(given[i], around);
    const isFresh = nodes.every((node) => seen2[node] === 0);
    const fresh = isFresh ? nodes : nodes.filter((node, k) => seen2[node] === 0 && nodes.indexOf(node) === k);
    const freshLoose = loose.some((id2) => seenLoose.has(id2)) ? loose.filter((id2) => !seenLoose.has(id2)) : loose;
    if (fresh !== nodes) {
      for (const node of nodes) if (!fresh.includes(node)) twice.push({ id: scene.nodes[node].id, step: i });
    }
    if (freshLoose !== loose) {
      for (const id2 of loose) if (seenLoose.has(id2)) twice.push({ id: id2, step: i });
    }
    for (const node of nodes) seen2[node] = 1;
    for (const id2 of loose) seenLoose.add(id2);
    steps2.push(fresh);
    looseParts2.push(freshLoose);
    count += fresh.length + freshLoose.length;
  }
  const isAdded = (id2) => seenLoose.has(id2) || !looseIds.has(id2) && seen2[around.indexOf.get(id2)] === 1;
  const missing = count === everything.length ? [] : everything.filter((id2) => !isAdded(id2));
  return { steps: steps2, looseParts: looseParts2, twice, missing };
}
function readStep(step2, { read, indexOf, looseIds }) {
  let known21 = read.get(step2);
  if (!known21) {
    const ids = [...step2.add ?? [], ...step2.join ?? []];
    const loose = ids.filter((id2) => looseIds.has(id2));
    const nodes = ids.filter((id2) => !looseIds.has(id2)).map((id2) => indexOf.get(id2));
    read.set(step2, known21 = { nodes, loose });
  }
  return known21;
}
var WAYS_OUT = [PLUS_Z, 3, 2, 0, 1, 5];
var MANY = 200;
function waysIn(around, { order, before }) {
  const { ways } = around;
  const fresh = [];
  for (let i = 0; i < order.length; i++) if (ways.present[order[i]] !== before[i]) fresh.push(i);
  if (fresh.length > MANY) askTakingAway(around, order, before, fresh[0]);
  else if (fresh.length > 0) askInPlace(around, order, before, fresh);
  const isListed = ways.presses.size + ways.blocks.size === 0 ? void 0 : new Map([...order].map((node, i) => [node, i]));
  const blocks = [...ways.blocks.values()].filter(({ node }) => isListed.has(node));
  return {
    arrives: ways.arrives.slice(),
    presses: new Map([...ways.presses].filter(([node]) => isListed.has(node))),
    blocks: blocks.sort((a, b) => isListed.get(b.node) - isListed.get(a.node))
  };
}
function askTakingAway({ space, ways, scene }, order, before, first) {
  space.restore();
  const listed = new Set(order);
  scene.nodes.forEach((_, node) => {
    if (!listed.has(node)) space.remove(node);
  });
  for (let i = order.length - 1; i >= first; i--) {
    const node = order[i];
    if (ways.present[node] !== before[i]) keepWay(ways, node, before[i], wayIn(space, node));
    space.remove(node);
  }
}
function askInPlace({ space, ways }, order, before, fresh) {
  const isThere = space.restoreLinked();
  isThere.fill(0);
  let at = 0;
  for (const i of fresh) {
    for (; at <= i; at++) isThere[order[at]] = 1;
    keepWay(ways, order[i], before[i], wayIn(space, order[i]));
  }
  isThere.fill(1);
}
function keepWay(ways, node, present, { arrives, press, block: block2 }) {
  ways.present[node] = present;
  ways.arrives[node] = arrives;
  if (press === void 0) ways.presses.delete(node);
  else ways.presses.set(node, press);
  if (block2 === void 0) ways.blocks.delete(node);
  else ways.blocks.set(node, block2);
}
function wayIn(space, node) {
  const tried = waysOut(space, node).map((travel) => ({ travel, by: space.blocker(node, travel) }));
  const free2 = tried.find(({ by }) => by < 0);
  if (free2) return { arrives: reverseTravel(free2.travel) };
  const pressed = space.scene.freeBodies.length > 0 ? void 0 : PRESSES.find(({ out, press }) => pressBlocker(space, node, out, press) < 0);
  if (pressed) return { arrives: reverseTravel(pressed.out), press: pressed.press };
  return { arrives: MINUS_Z, block: { node, blockers: tried } };
}
function waysOut(space, node) {
  const free2 = jointsOf(space.joints, node).find((joint) => joint.lets === 0);
  return free2 ? waysAlong(free2) : WAYS_OUT;
}

// src/core/plan/manner.ts
var GROUND_UP = {
  layer: 2.5,
  newLayer: 8,
  way: 0.6,
  likeWay: 0.3,
  sameLikeness: -5,
  inStepAlready: -2,
  opposite: -8,
  leaveCluster: 60,
  nearerCluster: 0.8,
  nearer: 0.08,
  closeAtLayer: 4,
  stretch: 14,
  likeStretch: 22,
  jump: 20,
  sideways: 0,
  perJoint: 0,
  looseForEach: 3.5,
  looseMost: 22,
  floorShare: 0.4
};
var CORE_OUT = { ...GROUND_UP, layer: 1.6, newLayer: 5, sideways: 40, perJoint: -2.5 };
var SECTIONS_FIRST = { ...GROUND_UP, jump: -60 };
var variantsOf = (manner) => [
  manner,
  { ...manner, way: 1, likeWay: 0.6 },
  { ...manner, layer: manner.layer * 0.6, newLayer: manner.newLayer * 0.6 }
];
var MANNERS = {
  "ground-up": variantsOf(GROUND_UP),
  "core-out": variantsOf(CORE_OUT),
  "sections-first": variantsOf(SECTIONS_FIRST)
};
var withCaution = (manner) => ({ ...manner, looseForEach: 7, looseMost: 30, floorShare: 1, closeAtLayer: 5 });
var withLargerSteps = (manner) => [
  { ...manner, closeAtLayer: 6 },
  { ...manner, closeAtLayer: 9, likeStretch: 30 }
];
var MOST = { stretch: 20, likeStretch: 34, closeAtLayer: 10 };
var CHANGED = 0.3;
var FACTOR = 0.8;
function mannerNear(manner, random) {
  const near = { ...manner };
  for (const key of Object.keys(manner)) {
    if (random() >= CHANGED) continue;
    const weight = manner[key] * Math.exp((2 * random() - 1) * FACTOR);
    near[key] = Math.min(MOST[key] ?? Infinity, weight);
  }
  return near;
}

// src/core/plan/random.ts
function randomFrom(seed) {
  let state = seed | 0;
  return () => {
    state = state + 1831565813 | 0;
    let t = Math.imul(state ^ state >>> 15, 1 | state);
    t = t + Math.imul(t ^ t >>> 7, 61 | t) ^ t;
    return ((t ^ t >>> 14) >>> 0) / 2 ** 32;
  };
}

// src/core/plan/limits.ts
function countedParts(parts) {
  const byLikeness = /* @__PURE__ */ new Map();
  for (const part2 of parts) {
    const key = `${part2.likeness}@${part2.box.min[2]}`;
    const list = byLikeness.get(key);
    if (list) list.push(part2.box);
    else byLikeness.set(key, [part2.box]);
  }
  let sum = 0;
  for (const boxes of byLikeness.values()) sum += Math.min(rows(boxes, 0), rows(boxes, 1));
  return sum;
}
function rows(boxes, along) {
  const across = along === 0 ? 1 : 0;
  const lines = /* @__PURE__ */ new Map();
  for (const box of boxes) {
    const line2 = lines.get(box.min[across]);
    if (line2) line2.push(box.min[along]);
    else lines.set(box.min[across], [box.min[along]]);
  }
  const size2 = boxes[0].max[along] - boxes[0].min[along];
  let count = 0;
  for (const starts of lines.values()) {
    starts.sort((a, b) => a - b);
    count += rowsInLine(starts, size2);
  }
  return count;
}
function rowsInLine(starts, size2) {
  const gaps = starts.slice(1).map((start, i) => start - starts[i]);
  if (gaps.length > 1 && gaps.every((gap) => gap === gaps[0])) return 1;
  return 1 + gaps.filter((gap) => gap !== size2).length;
}
function fitsLimits(parts, limits) {
  if (parts.length > limits.inAll) return false;
  if (new Set(parts.map((part2) => part2.piece)).size > limits.kinds) return false;
  return parts.length <= limits.parts || countedParts(parts) <= limits.parts;
}
function stepPart(scene, node) {
  const { kind, parts, source } = scene.nodes[node];
  const box = scene.nodeBoxes[node];
  const placed = parts[0];
  if (!placed || kind !== "part") return { piece: source, likeness: source, box };
  const piece = `${placed.colour} ${pieceKey(placed.part)} ${placed.shape.id}`;
  return { piece, likeness: `${piece} ${turnOfMatrix(placed.pose.matrix) ?? "free"}`, box };
}

// src/core/plan/ready-grid.ts
var CELL2 = 80;
var COARSER = 4;
var RINGS = 2;
var ReadyGrid = class {
  constructor(boxes) {
    this.boxes = boxes;
    this.home = new Array(boxes.length).fill(void 0);
    this.slot = new Int32Array(boxes.length);
  }
  boxes;
  levels = [];
  /** Of each node, the list it stands in and where. */
  home;
  slot;
  add(node) {
    const list = this.listFor(this.boxes[node]);
    this.home[node] = list;
    this.slot[node] = list.push(node) - 1;
  }
  remove(node) {
    const list = this.home[node];
    const last = list.pop();
    if (last !== node) {
      list[this.slot[node]] = last;
      this.slot[last] = this.slot[node];
    }
    this.home[node] = void 0;
  }
  has(node) {
    return this.home[node] !== void 0;
  }
  /** Calls `visit` with every node near the box. */
  eachNear(box, visit) {
    let side = CELL2;
    for (const cells of this.levels) {
      const x = cellAt(box, 0, side);
      const y = cellAt(box, 1, side);
      for (let i = x - RINGS; i <= x + RINGS; i++) {
        for (let j = y - RINGS; j <= y + RINGS; j++) {
          const list = cells.get(keyOf2(i, j));
          if (list) for (const node of list) visit(node);
        }
      }
      side *= COARSER;
    }
  }
  each(visit) {
    for (const cells of this.levels) for (const list of cells.values()) for (const node of list) visit(node);
  }
  listFor(box) {
    const width = Math.max(box.max[0] - box.min[0], box.max[1] - box.min[1]);
    let level = 0;
    let side = CELL2;
    for (; side < width; side *= COARSER) level++;
    while (this.levels.length <= level) this.levels.push(/* @__PURE__ */ new Map());
    const cells = this.levels[level];
    const key = keyOf2(cellAt(box, 0, side), cellAt(box, 1, side));
    let list = cells.get(key);
    if (!list) cells.set(key, list = []);
    return list;
  }
};
var cellAt = (box, axis, side) => Math.floor((box.min[axis] + box.max[axis]) / (2 * side));
var keyOf2 = (i, j) => (i + 32768) * 65536 + j + 32768;

// src/core/plan/schedule.ts
var COST = {
  /** Ties a loose group to the rest; more when it has lain there long. */
  ties: -60,
  tiesLate: -400,
  /** Goes on with what lies loose, until it reaches the rest. */
  bringsOn: -15,
  /** Each group that lies about already makes another dearer. */
  looseGroup: 2,
  /** Copies of one section are joined together, wherever they stand. */
  sameCopy: -80
};
var SLACK = 6;
var OPPOSITE_REACH = 10;
var MOST_JOINTS = 12;
var MOST_OF_FLOOR = 8;
var SMALL_PLATE = 200;
var MOST_COPIES = 4;
var PATIENCE = 80;
var JUMP_PATIENCE = 600;
function schedule(frame2, options) {
  return new Scheduler(frame2, options).run();
}
var Scheduler = class {
  constructor(frame2, options) {
    this.frame = frame2;
    this.options = options;
    const { scene, order } = frame2;
    const count = scene.nodes.length;
    this.scene = scene;
    this.manner = options.manner ?? MANNERS["ground-up"][0];
    this.waits = order.waits.slice();
    this.wished = new Int32Array(count);
    this.present = new Uint8Array(count);
    this.held = new Int32Array(count);
    this.groups = new Groups(count);
    this.facts = frame2.facts;
    this.scores = new Float64Array(count);
    this.ready = new ReadyGrid(scene.nodeBoxes);
    this.readySince = new Int32Array(count);
    this.pieceInStep = new Int32Array(count);
    this.waitsInside = waitsInside(frame2, count);
    this.free = new Int32Array(frame2.locks?.steps.length ?? 0);
    for (const wish of options.wishes ?? []) this.addWish(wish);
    for (let node = 0; node < count; node++) if (this.waits[node] === this.waitsInside[node]) this.makeReady(node);
  }
  frame;
  options;
  scene;
  waits;
  /** Wishes still open for a node; it is passed over while anything else can be done. */
  wished;
  wishesAfter = /* @__PURE__ */ new Map();
  apart = /* @__PURE__ */ new Map();
  present;
  held;
  groups;
  loose = /* @__PURE__ */ new Set();
  ready;
  steps = [[]];
  facts;
  scores;
  manner;
  readySince;
  /** Of each node, for how many of its own locked step it waits: they come with it. */
  waitsInside;
  /** Of each locked step, how many of its nodes wait for nothing outside it. */
  free;
  /** Of each piece, the number of the last step that brought it. */
  pieceInStep;
  placed = 0;
  isLate = false;
  main = -1;
  /** The lowest plane of what is there. */
  table = Infinity;
  last = -1;
  addWish([first, then]) {
    if (mustPrecede(this.frame, then, first)) return;
    const list = this.wishesAfter.get(first);
    if (list) list.push(then);
    else this.wishesAfter.set(first, [then]);
    this.wished[then]++;
    const kept = this.apart.get(then);
    if (kept) kept.add(first);
    else this.apart.set(then, /* @__PURE__ */ new Set([first]));
  }
  run() {
    const { locks } = this.frame;
    while (this.placed < this.scene.nodes.length) {
      const node = this.choose();
      const lock = locks ? locks.of[node] : -1;
      if (lock < 0) this.place(node);
      else {
        for (const member of locks.steps[lock]) this.place(member);
        this.steps.push([]);
      }
    }
    return this.steps.filter((step2) => step2.length > 0);
  }
  get step() {
    return this.steps[this.steps.length - 1];
  }
  planeOf(node) {
    return this.facts.plane[node];
  }
  /** Held by something present, or lying on the table where the peel has found it may. */
  isSupported(node) {
    if (this.facts.isEmpty[node] === 1) return true;
    const plane = this.planeOf(node);
    if (plane < this.table && this.looseBeside(node) > 0) return false;
    return this.held[node] > 0 || this.frame.starters.isStarter[node] === 1 && plane === this.table;
  }
  /** Loose groups that would still be loose with `node` in place. */
  looseBeside(node) {
    if (this.loose.size === 0) return 0;
    const touched = this.groupsAround(node);
    const isTied = touched.has(this.groups.of(this.main)) || touched.size > 1;
    return isTied ? [...this.loose].filter((group) => !touched.has(group)).length : this.loose.size;
  }
  groupsAround(node) {
    const touched = /* @__PURE__ */ new Set();
    const { start, list } = this.frame.joints.adjacency;
    for (let k = start[node]; k < start[node + 1]; k++) {
      const other = list[k];
      if (this.present[other] === 1) touched.add(this.groups.of(other));
    }
    return touched;
  }
  /** The next node; closes the open step where it does not fit. */
  choose() {
    if (this.last < 0) return this.chooseFirst();
    this.isLate = this.findLate();
    const candidates = this.candidates();
    let best = candidates[0];
    let least = Infinity;
    for (const node of candidates) {
      const score = this.score(node, least + SLACK);
      this.scores[node] = score;
      if (score > least || score === least && node > best) continue;
      best = node;
      least = score;
    }
    if (this.fits(best)) return best;
    const other = this.bestThatFits(candidates, this.scores[best] + SLACK);
    if (other >= 0) return other;
    this.steps.push([]);
    return best;
  }
  /** What can be done now, the better choice first: near and without open wishes, near, anywhere; at last what nothing holds. */
  candidates() {
    const wanted = [];
    const { cluster } = this.facts;
    const here = cluster[this.last];
    let staysHere = false;
    this.ready.eachNear(this.scene.nodeBoxes[this.last], (node) => {
      if (!this.isSupported(node) || !this.isWanted(node)) return;
      wanted.push(node);
      if (cluster[node] === here) staysHere = true;
    });
    if (staysHere) return wanted;
    const all2 = [];
    const hovering = [];
    this.ready.each((node) => (this.isSupported(node) ? all2 : hovering).push(node));
    const wantedOfAll = all2.filter((node) => this.isWanted(node));
    if (wantedOfAll.length > 0) return wantedOfAll;
    return all2.length > 0 ? all2 : hovering;
  }
  isWanted(node) {
    return this.wished[node] <= 0 || this.placed - this.readySince[node] > (this.facts.isPart[node] === 1 ? PATIENCE : JUMP_PATIENCE);
  }
  bestThatFits(candidates, bound) {
    const { scores } = this;
    const near = candidates.filter((node) => scores[node] <= bound);
    near.sort((a, b) => scores[a] - scores[b] || a - b);
    return near.slice(0, 24).find((node) => this.fits(node)) ?? -1;
  }
  /** Begins on the table, with the largest: a base carries what follows. */
  chooseFirst() {
    const area = (node) => {
      const size2 = sizeOf(this.scene.nodeBoxes[node]);
      return size2[0] * size2[1];
    };
    const ready = [];
    this.ready.each((node) => ready.push(node));
    const { isStarter, firstPlane } = this.frame.starters;
    const onTable = ready.filter((node) => isStarter[node] === 1 && this.planeOf(node) === firstPlane);
    const candidates = onTable.length > 0 ? onTable : ready;
    return candidates.reduce((a, b) => area(b) > area(a) || area(b) === area(a) && b < a ? b : a);
  }
  /** What a choice costs the reader. Where it is certain to be more than `most`, the rest is not asked. */
  score(node, most) {
    const { manner, last, facts } = this;
    const { x, y, cluster, likeness, piece } = facts;
    const isLike = likeness[node] === likeness[last];
    const way = Math.abs(x[node] - x[last]) + Math.abs(y[node] - y[last]);
    const rise = (facts.plane[node] - facts.plane[last]) / PLATE_HEIGHT;
    const nearer = nearness(x[node], y[node]) - nearness(x[last], y[last]);
    const isHeld = this.held[node] > 0;
    let score = isLike && isHeld ? way * manner.likeWay + manner.sameLikeness : way * manner.way;
    if (cluster[node] === cluster[last]) {
      score += manner.layer * rise + Math.max(-1, Math.min(1, rise)) * manner.newLayer + manner.nearer * nearer;
    } else score += manner.leaveCluster + rise + manner.nearerCluster * nearer;
    if (facts.partner[node] === last && way <= OPPOSITE_REACH) score += manner.opposite;
    if (this.pieceInStep[piece[node]] === this.steps.length) score += manner.inStepAlready;
    if (facts.isPart[node] === 0) score += isLike && isHeld ? COST.sameCopy : manner.jump;
    if (this.frame.isSideways[node] === 1) score += manner.sideways;
    if (manner.perJoint !== 0) score += manner.perJoint * Math.min(MOST_JOINTS, this.jointCount(node));
    if (!isHeld) return score > most ? score : score + this.priceOfLoose(node);
    return this.loose.size === 0 ? score : score + this.priceOfTies(node);
  }
  jointCount(node) {
    const { start } = this.frame.joints.adjacency;
    return start[node + 1] - start[node];
  }
  priceOfLoose(node) {
    const { manner } = this;
    const price = Math.min(manner.looseMost, manner.looseForEach * this.partsUntilHeld(node)) + COST.looseGroup * this.loose.size;
    if (this.isLate) return 4 * price;
    const isNextOfFloor = this.loose.size < MOST_OF_FLOOR && this.facts.isFlat[node] === 1 && this.touchesWork(node);
    return isNextOfFloor ? manner.floorShare * price : price;
  }
  priceOfTies(node) {
    const around = this.groupsAround(node);
    if (around.size > 1) return this.isLate ? COST.tiesLate : COST.ties;
    for (const group of around) return this.loose.has(group) ? COST.bringsOn : 0;
    return 0;
  }
  /** Whether something has lain loose for so long that it must be held in the next step. */
  findLate() {
    if (this.loose.size === 0) return false;
    let oldest = this.steps.length;
    for (const group of this.loose) oldest = Math.min(oldest, this.groups.bornIn(group));
    return this.steps.length - oldest >= REST_STEPS - 1;
  }
  /** Whether it lies right beside, over or under a part of the open step, seen from above. */
  touchesWork(node) {
    for (const other of this.step) if (this.touches(node, other)) return true;
    return this.touches(node, this.last);
  }
  touches(node, other) {
    const a = this.scene.nodeBoxes[node];
    const b = this.scene.nodeBoxes[other];
    return a.min[0] <= b.max[0] && b.min[0] <= a.max[0] && a.min[1] <= b.max[1] && b.min[1] <= a.max[1];
  }
  /** How many parts must come, this one included, until one can come that ties it to others. */
  partsUntilHeld(node) {
    let least = this.manner.looseMost;
    for (const next of this.frame.order.after[node]) least = Math.min(least, this.waits[next]);
    return least;
  }
  fits(node) {
    const { step: step2, facts } = this;
    const first = step2[0];
    if (first === void 0) return true;
    if (this.frame.locks && this.frame.locks.of[node] >= 0) return false;
    if (facts.isPart[node] === 0 || facts.isPart[first] === 0) {
      const isLikeCopy = this.isCopy(node) && this.isCopy(first) && facts.piece[node] === facts.piece[first];
      return isLikeCopy && step2.length < MOST_COPIES;
    }
    const apart = this.apart.get(node);
    if (apart && step2.some((member) => apart.has(member))) return false;
    if (facts.cluster[node] !== facts.cluster[this.last]) return false;
    const isHigher = this.planeOf(node) > this.planeOf(this.last);
    if (isHigher && step2.length >= this.manner.closeAtLayer) return false;
    if (this.isFar(node) || step2.some((below) => this.covers(node, below))) return false;
    return fitsLimits(
      [...step2, node].map((member) => facts.stepParts[member]),
      this.options.limits
    );
  }
  isCopy(node) {
    return this.scene.nodes[node].kind === "copy";
  }
  isFar(node) {
    const { x, y, likeness } = this.facts;
    const way = Math.abs(x[node] - x[this.last]) + Math.abs(y[node] - y[this.last]);
    return way > (likeness[node] === likeness[this.last] ? this.manner.likeStretch : this.manner.stretch);
  }
  /** Whether `node` would hide most of the flat `below`, so that a reader could not see both in one picture. */
  covers(node, below) {
    const a = this.scene.nodeBoxes[node];
    const b = this.scene.nodeBoxes[below];
    if (this.facts.isFlat[below] === 0 || a.min[2] !== b.max[2]) return false;
    const area = (b.max[0] - b.min[0]) * (b.max[1] - b.min[1]);
    if (area <= SMALL_PLATE) return false;
    const shared = (above) => above.min[2] === b.max[2] ? overlapLength(above, b, 0) * overlapLength(above, b, 1) : 0;
    const covered = this.step.reduce((sum, other) => sum + shared(this.scene.nodeBoxes[other]), shared(a));
    return shared(a) > 0 && covered * 2 > area;
  }
  place(node) {
    if (this.ready.has(node)) this.ready.remove(node);
    this.placed++;
    this.step.push(node);
    this.pieceInStep[this.facts.piece[node]] = this.steps.length;
    this.present[node] = 1;
    this.last = node;
    const isEmpty = this.facts.isEmpty[node] === 1;
    if (!isEmpty) this.table = Math.min(this.table, this.planeOf(node));
    this.groups.lay(node, this.steps.length);
    if (this.held[node] === 0 && !isEmpty) {
      if (this.main < 0) this.main = node;
      else this.loose.add(node);
    }
    const { start, list } = this.frame.joints.adjacency;
    for (let k = start[node]; k < start[node + 1]; k++) {
      const other = list[k];
      this.held[other]++;
      if (this.present[other] === 1) this.tie(node, other);
    }
    for (const then of this.wishesAfter.get(node) ?? []) this.wished[then]--;
    for (const next of this.frame.order.after[node]) if (--this.waits[next] === this.waitsInside[next]) this.makeReady(next);
  }
  makeReady(node) {
    const { locks } = this.frame;
    const lock = locks ? locks.of[node] : -1;
    if (lock >= 0) {
      const members = locks.steps[lock];
      if (++this.free[lock] < members.length) return;
      node = members[0];
    }
    this.ready.add(node);
    this.readySince[node] = this.placed;
  }
  tie(a, b) {
    const mainGroup = this.groups.of(this.main);
    const joined = this.groups.join(a, b);
    if (!joined) return;
    const wasLoose = this.loose.delete(joined.kept);
    const otherWasLoose = this.loose.delete(joined.gone);
    const isMain = mainGroup === joined.kept || mainGroup === joined.gone;
    if (!isMain && (wasLoose || otherWasLoose)) this.loose.add(joined.kept);
  }
};
function waitsInside({ locks, order }, count) {
  const waits = new Int32Array(count);
  for (const nodes of locks?.steps ?? []) {
    for (const node of nodes) for (const next of order.after[node]) if (locks.of[next] === locks.of[node]) waits[next]++;
  }
  return waits;
}
var LONGEST_CHAIN = 600;
function mustPrecede({ order, joints }, first, then) {
  const { start, list } = joints.adjacency;
  const holders = list.subarray(start[then], start[then + 1]);
  if (holders.length > 0 && holders.every((other) => other === first)) return true;
  const seen2 = /* @__PURE__ */ new Set([first]);
  for (const node of seen2) {
    if (seen2.size > LONGEST_CHAIN) return false;
    for (const next of order.after[node]) {
      if (next === then) return true;
      seen2.add(next);
    }
  }
  return false;
}
var nearness = (x, y) => 0.54 * x - 0.84 * y;
var overlapLength = (a, b, axis) => Math.max(0, Math.min(a.max[axis], b.max[axis]) - Math.max(a.min[axis], b.min[axis]));

// src/core/plan/step-measures.ts
var NEIGHBOUR = 2 * STUD_PITCH;
var ZERO = { steps: 0, parts: 0, way: 0, jumps: 0, pairs: 0, together: 0, turns: 0 };
function sumsOf(scene, steps2) {
  const { pairs, parts } = sceneFacts(scene);
  const boxes = flatNodeBoxes(scene);
  const stepOf = new Int32Array(scene.nodes.length).fill(steps2.length);
  let way = 0;
  let jumps = -1;
  let [x, y, z] = [0, 0, 0];
  for (let i = 0; i < steps2.length; i++) {
    const step2 = steps2[i];
    if (step2.length === 0) continue;
    let [sumX, sumY, sumZ] = [0, 0, 0];
    for (const node of step2) {
      stepOf[node] = i;
      sumX += boxes[node * 6] + boxes[node * 6 + 3];
      sumY += boxes[node * 6 + 1] + boxes[node * 6 + 4];
      sumZ += boxes[node * 6 + 2] + boxes[node * 6 + 5];
    }
    const half = 1 / (2 * step2.length);
    if (++jumps > 0) way += Math.hypot(sumX * half - x, sumY * half - y, sumZ * half - z);
    x = sumX * half;
    y = sumY * half;
    z = sumZ * half;
  }
  let together = 0;
  for (let i = 0; i < pairs.length; i += 2) if (Math.abs(stepOf[pairs[i]] - stepOf[pairs[i + 1]]) <= 1) together++;
  return { steps: steps2.length, parts, way: way / STUD_PITCH, jumps: Math.max(0, jumps), pairs: pairs.length / 2, together, turns: 0 };
}
var known7 = /* @__PURE__ */ new WeakMap();
function sceneFacts(scene) {
  let facts = known7.get(scene);
  if (!facts) {
    const parts = scene.nodes.filter((spec) => spec.kind === "part").length;
    known7.set(scene, facts = { pairs: likePairs(scene), parts });
  }
  return facts;
}
var addSums = (a, b) => ({
  steps: a.steps + b.steps,
  parts: a.parts + b.parts,
  way: a.way + b.way,
  jumps: a.jumps + b.jumps,
  pairs: a.pairs + b.pairs,
  together: a.together + b.together,
  turns: a.turns + b.turns
});
function measuresOf(sums, poor) {
  const share2 = (part2, whole, empty) => Math.round((whole === 0 ? empty : part2 / whole) * 1e3) / 1e3;
  return {
    stepsPer100: share2(100 * sums.steps, sums.parts, 0),
    meanJump: share2(sums.way, sums.jumps, 0),
    poorlyVisible: share2(poor, sums.steps, 0),
    turnsPer100: share2(100 * sums.turns, sums.steps, 0),
    likeTogether: share2(sums.together, sums.pairs, 1)
  };
}
var measureSteps = (scene, steps2) => measuresOf(sumsOf(scene, steps2), 0);
var PROMISE = { stepsPer100: 20, meanJump: 6, likeTogether: 0.9 };
function brokenPromises(scene, steps2, promise = PROMISE) {
  const { stepsPer100, meanJump, likeTogether } = measureSteps(scene, steps2);
  return Math.max(0, stepsPer100 / promise.stepsPer100 - 1) + Math.max(0, meanJump / promise.meanJump - 1) + 4 * Math.max(0, promise.likeTogether - likeTogether);
}
function likePairs(scene) {
  const buckets = /* @__PURE__ */ new Map();
  const { nodeBoxes } = scene;
  scene.nodes.forEach((spec, node) => {
    if (spec.kind !== "part") return;
    const key = `${stepPart(scene, node).likeness}@${nodeBoxes[node].min[2]}`;
    const bucket2 = buckets.get(key);
    if (bucket2) bucket2.push(node);
    else buckets.set(key, [node]);
  });
  const pairs = [];
  for (const bucket2 of buckets.values()) {
    bucket2.sort((a, b) => nodeBoxes[a].min[0] - nodeBoxes[b].min[0] || nodeBoxes[a].min[1] - nodeBoxes[b].min[1]);
    bucket2.forEach((node, i) => {
      const near = nearestInLine(nodeBoxes, bucket2, i);
      if (near >= 0) pairs.push(node, near);
    });
  }
  return Int32Array.from(pairs);
}
function nearestInLine(boxes, bucket2, i) {
  const here = boxes[bucket2[i]];
  const [wide, deep] = sizeOf(here);
  let best = -1;
  let bestGap = NEIGHBOUR + 1;
  for (const way of [-1, 1]) {
    for (let j = i + way; j >= 0 && j < bucket2.length; j += way) {
      const there = boxes[bucket2[j]];
      const gapX = Math.abs(there.min[0] - here.min[0]) - wide;
      if (gapX >= bestGap) break;
      const gap = Math.max(gapX, Math.abs(there.min[1] - here.min[1]) - deep, 0);
      if (gap >= bestGap) continue;
      best = bucket2[j];
      bestGap = gap;
    }
  }
  return best;
}

// src/core/plan/search.ts
var MOST_NODES = 6e3;
var STRICTER = { stepsPer100: 15, meanJump: 5, likeTogether: 0.93 };
var UNHELD = 1e3;
var EQUAL = 0.01;
var MOST_TRIES = 150;
var SEED = 4;
function searchSchedule(frame2, options) {
  const usual = tryManners(frame2, options);
  const tries = Math.min(MOST_TRIES, Math.floor((options.effort ?? 0) / Math.max(1, frame2.scene.nodes.length)));
  return tries > 0 ? climb(frame2, options, usual, tries) : usual;
}
function tryManners(frame2, options) {
  const strategy = options.strategy ?? "ground-up";
  const isLarge = frame2.scene.nodes.length > MOST_NODES;
  const attempt = (manner) => attemptWith(frame2, options.limits, manner, !isLarge);
  const cheaper = (best2, manner) => cheaperOf(best2, attempt(manner));
  const [first, ...others] = MANNERS[strategy];
  let best = attempt(isLarge ? withCaution(first) : first);
  if (best.price >= UNHELD) best = cheaper(best, isLarge ? first : withCaution(first));
  if (!isLarge && best.price > EQUAL) {
    best = others.reduce(cheaper, best);
    if (best.price >= UNHELD) best = others.map(withCaution).reduce(cheaper, best);
    const hasManySteps = measureSteps(frame2.scene, best.steps).stepsPer100 > PROMISE.stepsPer100;
    if (hasManySteps || best.price >= UNHELD) best = withLargerSteps(best.manner).reduce(cheaper, best);
  }
  if (best.price >= UNHELD && strategy !== "ground-up") best = cheaper(best, withCaution(MANNERS["ground-up"][0]));
  return best;
}
function climb(frame2, { limits, seed, tried }, start, tries) {
  const random = randomFrom(seed ?? SEED);
  let best = start;
  for (let i = 0; i < tries && best.price > EQUAL; i++) {
    best = cheaperOf(best, attemptWith(frame2, limits, mannerNear(best.manner, random), true));
    tried?.((i + 1) / tries);
  }
  return best;
}
function attemptWith(frame2, limits, manner, isMeasured) {
  const steps2 = schedule(frame2, { limits, manner });
  const held = UNHELD * followHolding(frame2.scene, frame2.joints, steps2).problems.length;
  return { manner, steps: steps2, price: held + (isMeasured ? priceOf(frame2, steps2) : 0) };
}
var cheaperOf = (best, next) => next.price < best.price - EQUAL ? next : best;
var DESCENT = 0.6;
function priceOf(frame2, steps2) {
  return brokenPromises(frame2.scene, steps2, STRICTER) + DESCENT * descent(frame2, steps2);
}
function descent({ facts }, steps2) {
  let down = 0;
  let least = Infinity;
  let most = -Infinity;
  let before = -Infinity;
  let cluster = -2;
  const clusters = /* @__PURE__ */ new Set();
  for (const step2 of steps2) {
    let plane = Infinity;
    for (const node of step2) {
      plane = Math.min(plane, facts.plane[node]);
      most = Math.max(most, facts.top[node]);
    }
    least = Math.min(least, plane);
    const here = step2.length > 0 ? facts.cluster[step2[0]] : cluster;
    if (plane < before && here === cluster) down += before - plane;
    before = plane;
    cluster = here;
    clusters.add(here);
  }
  return most > least ? down / (most - least) / Math.max(1, clusters.size) : 0;
}

// src/core/plan/exact-peel.ts
var MOST_EXACT = 13;
var ORDER2 = [PLUS_Z, ...DIRECTIONS.filter((way) => way !== PLUS_Z && way !== MINUS_Z), MINUS_Z];
function peelExactly(space) {
  const count = space.scene.nodes.length;
  if (count > MOST_EXACT || space.scene.freeBodies.length > 0) return void 0;
  const isThere = space.restoreLinked();
  const leaves = [];
  const seen2 = new Uint8Array(1 << count);
  const walk = (left) => {
    if (left === 0) return true;
    if (seen2[left] === 1) return false;
    seen2[left] = 1;
    for (const travel of ORDER2) {
      for (let node = count - 1; node >= 0; node--) {
        const bit = 1 << node;
        if ((left & bit) === 0 || seen2[left & ~bit] === 1) continue;
        if (space.blocker(node, travel) >= 0) continue;
        isThere[node] = 0;
        if (restsOnTable(space, isThere)) {
          leaves.push({ nodes: [node], travel });
          if (walk(left & ~bit)) return true;
          leaves.pop();
        }
        isThere[node] = 1;
      }
    }
    return false;
  };
  const isFound = walk((1 << count) - 1);
  isThere.fill(1);
  return isFound ? leaves : void 0;
}
function restsOnTable({ scene, joints }, isThere) {
  const { start, list } = joints.adjacency;
  let table2 = Infinity;
  for (let node = 0; node < isThere.length; node++) if (isThere[node] === 1) table2 = Math.min(table2, scene.nodeBoxes[node].min[2]);
  const reached = new Uint8Array(isThere.length);
  const queue = [];
  for (let node = 0; node < isThere.length; node++) {
    if (isThere[node] === 0 || scene.nodeBoxes[node].min[2] !== table2) continue;
    reached[node] = 1;
    queue.push(node);
  }
  for (const node of queue) {
    for (let k = start[node]; k < start[node + 1]; k++) {
      const other = list[k];
      if (isThere[other] === 0 || reached[other] === 1) continue;
      reached[other] = 1;
      queue.push(other);
    }
  }
  for (let node = 0; node < isThere.length; node++) if (isThere[node] === 1 && reached[node] === 0) return false;
  return true;
}

// src/core/plan/cut-off.ts
var NONE2 = [];
var SOME = [{ nodes: [], touchesFloor: false }];
var CutOffSearch = class {
  constructor(space, onFloor) {
    this.space = space;
    this.onFloor = onFloor;
    const count = space.isThere.length;
    this.mark = new Int32Array(count);
    this.owner = new Int32Array(count);
    this.next = new Int32Array(count);
  }
  space;
  onFloor;
  mark;
  owner;
  next;
  stamp = 0;
  first = new Int32Array(64);
  /** The last node looked at; −1 for none. */
  seen = new Int32Array(64);
  head = new Int32Array(64);
  last = new Int32Array(64);
  root = new Int32Array(64);
  size = new Int32Array(64);
  /** Whether anything would be cut off; cheaper than to find what. */
  cuts(node) {
    return this.search([node], true) === SOME;
  }
  /** @returns the groups cut off from the largest rest; none when the rest stays in one piece. */
  find(leaving) {
    return this.search(leaving, false);
  }
  search(leaving, onlyWhether) {
    const { start, list } = this.space.joints.adjacency;
    const { isThere } = this.space;
    const stamp = ++this.stamp;
    const out = stamp * 2;
    const grown = stamp * 2 + 1;
    for (const node of leaving) this.mark[node] = out;
    let groups = 0;
    for (const node of leaving) {
      for (let k = start[node]; k < start[node + 1]; k++) {
        const other = list[k];
        if (isThere[other] === 0 || this.mark[other] === out || this.mark[other] === grown) continue;
        this.mark[other] = grown;
        this.begin(groups++, other);
      }
    }
    return groups < 2 ? NONE2 : this.grow(groups, out, grown, onlyWhether);
  }
  begin(group, node) {
    if (group === this.first.length) this.enlarge();
    this.owner[node] = group;
    this.next[node] = -1;
    this.first[group] = this.head[group] = this.last[group] = node;
    this.seen[group] = -1;
    this.root[group] = group;
    this.size[group] = 1;
  }
  enlarge() {
    for (const key of ["first", "seen", "head", "last", "root", "size"]) {
      const larger = new Int32Array(this[key].length * 2);
      larger.set(this[key]);
      this[key] = larger;
    }
  }
  rootOf(group) {
    const { root } = this;
    while (root[group] !== group) group = root[group] = root[root[group]];
    return group;
  }
  grow(groups, out, grown, onlyWhether) {
    let open = [];
    for (let group = 0; group < groups; group++) open.push(group);
    const closed = [];
    while (open.length > 1) {
      for (const group of open) if (this.root[group] === group) this.lookAtOne(group, out, grown);
      open = open.filter((group) => this.root[group] === group);
      const done = open.filter((group) => this.head[group] < 0);
      if (done.length === 0) continue;
      if (onlyWhether && open.length > 1) return SOME;
      const keep2 = done.length === open.length ? done.reduce((a, b) => this.size[a] >= this.size[b] ? a : b) : -1;
      for (const group of done) if (group !== keep2) closed.push(group);
      open = open.filter((group) => group === keep2 || this.head[group] >= 0);
    }
    return closed.length === 0 ? NONE2 : closed.map((group) => this.cutOff(group));
  }
  /** Looks at the next node of a group: its neighbours join the group, or the groups they belong to do. */
  lookAtOne(group, out, grown) {
    const node = this.head[group];
    if (node < 0) return;
    this.seen[group] = node;
    this.head[group] = this.next[node];
    const { start, list } = this.space.joints.adjacency;
    const { isThere } = this.space;
    let mine = group;
    for (let k = start[node]; k < start[node + 1]; k++) {
      const other = list[k];
      if (isThere[other] === 0 || this.mark[other] === out) continue;
      if (this.mark[other] !== grown) {
        this.mark[other] = grown;
        this.owner[other] = mine;
        this.append(mine, other);
      } else {
        const met = this.rootOf(this.owner[other]);
        if (met !== mine) mine = this.merge(mine, met);
      }
    }
  }
  append(group, node) {
    this.next[node] = -1;
    this.next[this.last[group]] = node;
    this.last[group] = node;
    if (this.head[group] < 0) this.head[group] = node;
    this.size[group]++;
  }
  /** Joins `from` to `into`: what either has looked at comes first, what either has to look at last. */
  merge(into, from) {
    const { first, seen: seen2, head: head2, last, next } = this;
    const unseenInto = head2[into];
    const unseenFrom = head2[from];
    if (seen2[from] >= 0) {
      if (seen2[into] >= 0) next[seen2[from]] = first[into];
      else {
        next[seen2[from]] = unseenInto;
        seen2[into] = seen2[from];
      }
      first[into] = first[from];
    }
    if (unseenFrom >= 0) {
      if (unseenInto >= 0) next[last[into]] = unseenFrom;
      else {
        next[seen2[into]] = unseenFrom;
        head2[into] = unseenFrom;
      }
      last[into] = last[from];
    } else if (unseenInto < 0) last[into] = seen2[into];
    this.size[into] += this.size[from];
    this.root[from] = into;
    return into;
  }
  cutOff(group) {
    const nodes = [];
    let touchesFloor = false;
    for (let node = this.first[group]; node >= 0; node = this.next[node]) {
      nodes.push(node);
      if (this.onFloor[node] === 1) touchesFloor = true;
    }
    return { nodes, touchesFloor };
  }
};

// src/core/plan/heap.ts
var Heap = class {
  items = [];
  priorities = [];
  get size() {
    return this.items.length;
  }
  push(item, priority) {
    const { items, priorities } = this;
    let i = items.length;
    items.push(item);
    priorities.push(priority);
    while (i > 0) {
      const parent = i - 1 >> 1;
      if (!this.isBefore(i, parent)) break;
      this.swap(i, parent);
      i = parent;
    }
  }
  pop() {
    const { items, priorities } = this;
    const top = items[0];
    if (top === void 0) return void 0;
    this.swap(0, items.length - 1);
    items.pop();
    priorities.pop();
    let i = 0;
    for (; ; ) {
      const left = 2 * i + 1;
      const right = left + 1;
      let first = i;
      if (left < items.length && this.isBefore(left, first)) first = left;
      if (right < items.length && this.isBefore(right, first)) first = right;
      if (first === i) return top;
      this.swap(i, first);
      i = first;
    }
  }
  isBefore(i, j) {
    const { items, priorities } = this;
    return priorities[i] > priorities[j] || priorities[i] === priorities[j] && items[i] < items[j];
  }
  swap(i, j) {
    const { items, priorities } = this;
    const item = items[i];
    items[i] = items[j];
    items[j] = item;
    const priority = priorities[i];
    priorities[i] = priorities[j];
    priorities[j] = priority;
  }
};

// src/core/plan/locked-set.ts
var MOST_NODES2 = 48;
function findLockedSet(space, seed) {
  const around = reachBlockers(space, seed);
  if (around.length > MOST_NODES2) return { core: [], keys: [] };
  const there = space.isThere.slice();
  try {
    let core = stuckAmong(space, around);
    for (const node of [...core]) {
      const rest2 = stuckAmong(
        space,
        core.filter((other) => other !== node)
      );
      if (rest2.length > 0) core = rest2;
    }
    const keys = core.filter(
      (node) => stuckAmong(
        space,
        around.filter((other) => other !== node)
      ).length === 0
    );
    return { core, keys };
  } finally {
    space.isThere.set(there);
  }
}
function reachBlockers(space, seed) {
  const seen2 = /* @__PURE__ */ new Set([seed]);
  for (const node of seen2) {
    if (seen2.size > MOST_NODES2) break;
    for (const direction2 of DIRECTIONS) {
      const by = space.blocker(node, direction2);
      if (by >= 0) seen2.add(by);
    }
  }
  return [...seen2];
}
function stuckAmong(space, nodes) {
  space.isThere.fill(0);
  const left = new Set(nodes);
  for (const node of left) space.isThere[node] = 1;
  for (let before = -1; before !== left.size; ) {
    before = left.size;
    for (const node of left) {
      if (!DIRECTIONS.some((direction2) => space.blocker(node, direction2) < 0)) continue;
      space.isThere[node] = 0;
      left.delete(node);
    }
  }
  return [...left];
}

// src/core/plan/units.ts
var SIZES = [6, 48, 384, Infinity];
var BUDGET = 4e5;
function findUnit(space, cutOffs, directions) {
  const there = [];
  for (let node = space.isThere.length - 1; node >= 0; node--) if (space.isThere[node] === 1) there.push(node);
  const work = { left: BUDGET };
  for (const size2 of SIZES) {
    let best;
    for (const travel of directions) {
      for (const node of there) {
        if (work.left <= 0) return best;
        const bound = Math.min(best ? best.nodes.length - 1 : size2, there.length - 1);
        const nodes = closure(space, cutOffs, node, travel, bound, work);
        if (nodes && isConnected(space, nodes)) best = { nodes, travel };
        if (best?.nodes.length === 2) return best;
      }
    }
    if (best) return best;
    if (size2 >= there.length) return void 0;
  }
  return void 0;
}
function closure(space, cutOffs, seed, travel, bound, work) {
  const inside = /* @__PURE__ */ new Set([seed]);
  for (; ; ) {
    const before = inside.size;
    const nodes = [...inside];
    work.left -= nodes.length;
    space.eachBlocker(nodes, travel, (other) => inside.add(other));
    if (inside.size > bound) return void 0;
    if (inside.size > before) continue;
    for (const group of cutOffs.find(nodes)) {
      work.left -= group.nodes.length;
      if (group.touchesFloor) continue;
      for (const node of group.nodes) inside.add(node);
    }
    if (inside.size > bound) return void 0;
    if (inside.size === before) return nodes;
  }
}
function isConnected(space, nodes) {
  const inside = new Set(nodes);
  const seen2 = /* @__PURE__ */ new Set([nodes[0]]);
  const queue = [nodes[0]];
  for (const node of queue) {
    for (const other of neighboursOf(space.joints, node)) {
      if (!inside.has(other) || seen2.has(other)) continue;
      seen2.add(other);
      queue.push(other);
    }
  }
  return seen2.size === nodes.length;
}

// src/core/plan/peel.ts
var PRESS_BUDGET = 4e5;
var MOST_LOOSE = 6;
var UPWARD_FIRST = [PLUS_Z, MINUS_Y, PLUS_Y, PLUS_X, MINUS_X, MINUS_Z];
var classOf = (travel) => {
  const z = travelVector(travel)[2];
  return z > 0.5 ? 0 : z > -0.5 ? 1 : 2;
};
var Peeler = class {
  constructor(space, progress = () => void 0) {
    this.space = space;
    this.progress = progress;
    const count = space.scene.nodes.length;
    this.lastWaiting = new Int32Array(count).fill(-1);
    this.waitingBefore = new Int32Array(count * 8);
    this.parkedWays = new Uint8Array(count);
    this.cutAtFirst = findCutNodes(space.joints, count);
    this.onFloor = new Uint8Array(count);
    this.findFloor();
    this.hasFreeJoints = space.joints.list.some((joint) => joint.lets === 0);
    this.cutOffs = new CutOffSearch(space, this.onFloor);
  }
  space;
  progress;
  leaves = [];
  heaps = [new Heap(), new Heap(), new Heap()];
  /** What is free to go but would leave something loose; by class as in `heaps`. */
  parked = [new Heap(), new Heap(), new Heap()];
  /** A bit for each way of a node that is parked. */
  parkedWays;
  /** Of each node, the last (node × 8 + travel index) that waits for it, and from each of those the one before; −1 ends. */
  lastWaiting;
  waitingBefore;
  onFloor;
  floorLeft = 0;
  /** Something was taken by force. */
  isStuck = false;
  cutOffs;
  hasFreeJoints;
  /** 1 for what would cut the whole in two as it stands at first; 0 again as soon as a neighbour has left. */
  cutAtFirst;
  /** The table is the lowest plane of what is there; it rises when all that stood on it has left. */
  findFloor() {
    const { scene, isThere } = this.space;
    let floor = Infinity;
    const hasBody = (node) => isThere[node] === 1 && scene.nodes[node].parts.length > 0;
    scene.nodeBoxes.forEach((box, node) => {
      if (hasBody(node)) floor = Math.min(floor, box.min[2]);
    });
    scene.nodeBoxes.forEach((box, node) => {
      this.onFloor[node] = hasBody(node) && box.min[2] === floor ? 1 : 0;
    });
    this.floorLeft = this.onFloor.reduce((sum, flag) => sum + flag, 0);
  }
  /** @returns everything in the order it left. */
  run() {
    const all2 = this.space.count;
    for (let node = 0; node < all2; node++) this.travels(node).forEach((_, i) => this.look(node, i));
    while (this.space.count > 0) {
      if (!this.takeNext()) this.takeUnitOrForce();
      if (this.leaves.length % 256 === 0) this.progress(all2 - this.space.count, all2);
    }
    return this.leaves;
  }
  /** The ways a node may try: the six directions, or along its joint where that does not lie in the lattice. */
  travels(node) {
    if (!this.hasFreeJoints) return DIRECTIONS;
    for (const joint of jointsOf(this.space.joints, node)) {
      if (joint.lets === 0) return waysAlong(joint);
    }
    return DIRECTIONS;
  }
  /** Puts a node and a way into the heap of its class, or lets it wait for its blocker. */
  look(node, way) {
    const travel = this.travels(node)[way];
    const blocker = this.space.blocker(node, travel);
    if (blocker >= 0) this.wait(blocker, node, way);
    else this.heaps[classOf(travel)].push(node * 8 + way, this.priority(node, travel));
  }
  wait(blocker, node, way) {
    this.waitingBefore[node * 8 + way] = this.lastWaiting[blocker];
    this.lastWaiting[blocker] = node * 8 + way;
  }
  /** Upward the highest first. Sideways and downward the smallest: cladding comes off before what carries it. */
  priority(node, travel) {
    const box = this.space.scene.nodeBoxes[node];
    if (classOf(travel) === 0) return box.max[2] * 4 + box.min[2];
    const size2 = sizeOf(box);
    return -size2[0] * size2[1] * size2[2];
  }
  /** First what leaves the rest in one piece, upward before sideways; then what lays something loose; from below last. */
  takeNext() {
    const [up, aside, down] = [0, 1, 2];
    return this.takeHolding(up) || this.takeHolding(aside) || this.takeLoosening(up) || this.takeLoosening(aside) || this.takeHolding(down) || this.takeLoosening(down);
  }
  /** Takes the first of a class that leaves the rest in one piece. What would loosen something is parked until a neighbour leaves. */
  takeHolding(kind) {
    const heap = this.heaps[kind];
    for (let item = heap.pop(); item !== void 0; item = heap.pop()) {
      const node = item >> 3;
      if (this.space.isThere[node] === 0) continue;
      const outcome = this.tryTake(node, item & 7, true);
      if (outcome === "taken") return true;
      if (outcome === "loosens") {
        this.parkedWays[node] |= 1 << (item & 7);
        this.parked[kind].push(item, this.priority(node, this.travels(node)[item & 7]));
      }
    }
    return false;
  }
  takeLoosening(kind) {
    const heap = this.parked[kind];
    for (let item = heap.pop(); item !== void 0; item = heap.pop()) {
      const node = item >> 3;
      const way = 1 << (item & 7);
      if (this.space.isThere[node] === 0 || (this.parkedWays[node] & way) === 0) continue;
      this.parkedWays[node] &= ~way;
      if (this.tryTake(node, item & 7, false) === "taken") return true;
    }
    return false;
  }
  /** A group that a node would cut off can only vanish when a neighbour of the node leaves: then it is asked again. */
  unparkAround(node) {
    const { start, list } = this.space.joints.adjacency;
    for (let k = start[node]; k < start[node + 1]; k++) {
      const other = list[k];
      this.cutAtFirst[other] = 0;
      const ways = this.parkedWays[other];
      if (ways === 0 || this.space.isThere[other] === 0) continue;
      this.parkedWays[other] = 0;
      for (let way = 0; way < 8; way++) if ((ways & 1 << way) !== 0) this.look(other, way);
    }
  }
  /** Takes a node whose way is free, if what it leaves behind is held or can rest. */
  tryTake(node, way, mustHold) {
    const travel = this.travels(node)[way];
    if (mustHold) {
      if (this.cutAtFirst[node] === 1 || this.cutOffs.cuts(node)) return "loosens";
      this.leave([node], travel);
      return "taken";
    }
    const cut2 = this.cutOffs.find([node]);
    const hovering = cut2.length > 0 ? this.findHovering(node, cut2) : void 0;
    if (hovering !== void 0) {
      this.wait(hovering, node, way);
      return "waits";
    }
    this.leave([node], travel);
    for (const group of cut2) {
      if (group.nodes.length <= MOST_LOOSE) continue;
      const free2 = UPWARD_FIRST.find((direction2) => direction2 !== MINUS_Z && this.space.groupBlocker(group.nodes, direction2) < 0);
      if (free2 !== void 0) this.leave(group.nodes, free2);
    }
    return "taken";
  }
  /** A node of a group that would hang in the air if `node` left: every group, and the rest, must touch the table there is then. */
  findHovering(node, cut2) {
    if (this.floorLeft - this.onFloor[node] > 0) {
      const hovering = cut2.find((group) => !group.touchesFloor);
      if (hovering) return hovering.nodes[0];
      const touching = cut2.reduce((sum, group) => sum + this.floorCount(group.nodes), 0);
      return this.floorLeft - touching - this.onFloor[node] > 0 ? void 0 : cut2[0].nodes[0];
    }
    const { nodeBoxes } = this.space.scene;
    const inGroup = new Map(cut2.flatMap((group, i) => group.nodes.map((member) => [member, i])));
    const lowest2 = new Array(cut2.length + 1).fill(Infinity);
    nodeBoxes.forEach((box, other) => {
      if (this.space.isThere[other] === 0 || other === node) return;
      const group = inGroup.get(other) ?? cut2.length;
      lowest2[group] = Math.min(lowest2[group], box.min[2]);
    });
    const table2 = Math.min(...lowest2);
    const high = lowest2.findIndex((plane) => plane !== table2);
    return high < 0 ? void 0 : (cut2[high] ?? cut2[0]).nodes[0];
  }
  floorCount(nodes) {
    return nodes.reduce((sum, node) => sum + this.onFloor[node], 0);
  }
  leave(nodes, travel, more = {}) {
    for (const node of nodes) {
      this.space.remove(node);
      this.floorLeft -= this.onFloor[node];
    }
    if (this.floorLeft === 0) this.findFloor();
    this.leaves.push({ nodes, travel, ...more });
    for (const node of nodes) {
      let waiter = this.lastWaiting[node];
      this.lastWaiting[node] = -1;
      while (waiter >= 0) {
        const before = this.waitingBefore[waiter];
        if (this.space.isThere[waiter >> 3] === 1) this.look(waiter >> 3, waiter & 7);
        waiter = before;
      }
      this.unparkAround(node);
    }
  }
  takeUnitOrForce() {
    if (this.takePressed()) return;
    const unit = findUnit(this.space, this.cutOffs, UPWARD_FIRST);
    if (unit) this.leave(unit.nodes, unit.travel);
    else this.force();
  }
  /** Where nothing goes straight, one part that slides out when it is lifted off its studs, and leaves the rest held. */
  takePressed() {
    const { space } = this;
    if (space.scene.freeBodies.length > 0) return false;
    let budget = PRESS_BUDGET;
    for (let node = space.isThere.length - 1; node >= 0 && budget > 0; node--) {
      if (space.isThere[node] === 0 || this.cutOffs.cuts(node)) continue;
      for (const { out, press } of PRESSES) {
        budget -= space.count;
        if (pressBlocker(space, node, out, press) >= 0) continue;
        this.leave([node], out, { press });
        return true;
      }
    }
    return false;
  }
  /** Nothing can leave: the highest part that holds nothing else up goes all the same, and carries who was in its way. */
  force() {
    const there = [];
    this.space.isThere.forEach((flag, node2) => {
      if (flag === 1) there.push(node2);
    });
    there.sort((a, b) => this.priority(b, PLUS_Z) - this.priority(a, PLUS_Z) || a - b);
    const isSafe = (node2) => this.cutOffs.find([node2]).every((group) => group.touchesFloor);
    const node = there.slice(0, 200).find(isSafe) ?? there[0];
    const blockers = this.travels(node).map((travel) => ({ travel, by: this.space.blocker(node, travel) }));
    const knot = this.isStuck ? void 0 : findLockedSet(this.space, node);
    this.isStuck = true;
    const block2 = { node, blockers: blockers.filter(({ by }) => by >= 0), ...knot && knot.core.length > 1 ? { knot } : {} };
    this.leave([node], PLUS_Z, { block: block2 });
  }
};

// src/core/plan/lie.ts
var WORTH_TURNING = 2;
var TURNED_OVER = turnFromText("+x-y");
function lieOfSteps({ steps: steps2, arrives, holding: holding2 }) {
  const lies = steps2.map(() => NO_TURN);
  let from = 0;
  while (from < steps2.length) {
    let to = from;
    while (to < steps2.length && isFromBelow(steps2[to], arrives)) to++;
    if (to - from >= WORTH_TURNING && !hasLoose(holding2, from, to)) lies.fill(TURNED_OVER, from, to);
    from = Math.max(to, from + 1);
  }
  return lies;
}
var isFromBelow = (step2, arrives) => step2.length > 0 && step2.every((node) => arrives[node] === PLUS_Z);
var hasLoose = ({ looseAfter }, from, to) => looseAfter.slice(Math.max(0, from - 1), to).some((groups) => groups > 0);
var LIFTED = -1;
function isLifted(step2, arrives) {
  for (const node of step2) if (arrives[node] === PLUS_Z) return true;
  return false;
}
function countTurns(lies, { steps: steps2, arrives }) {
  let turns = 0;
  let before = NO_TURN;
  for (let i = 0; i < steps2.length; i++) {
    const lie = lies[i] ?? NO_TURN;
    const now = lie !== NO_TURN ? lie : isLifted(steps2[i], arrives) ? LIFTED : NO_TURN;
    if (now !== before && now !== NO_TURN) turns++;
    before = now;
  }
  return turns;
}

// src/core/plan/locks.ts
function findLocks(section2, scene, order) {
  const given = section2.planRest === true ? (section2.steps ?? []).filter((step2) => step2.locked === true) : [];
  if (given.length === 0) return { locks: void 0, lost: [] };
  const nodeOf = new Map(scene.nodes.map((spec, node) => [spec.id, node]));
  const lost = [];
  const kept = [];
  for (const step2 of given) {
    const ids = [...step2.add ?? [], ...step2.join ?? []];
    const nodes = ids.map((id2) => nodeOf.get(id2));
    const units = scene.nodes.filter((spec) => spec.kind === "derived" && spec.parts.some(({ part: part2, path: path2 }) => isOneOf(ids, part2.id, path2)));
    if (nodes.includes(void 0)) lost.push({ ids, because: units.map((spec) => spec.id) });
    else if (ids.length > 0) kept.push(inOrder(nodes, order));
  }
  for (; ; ) {
    const locks = { steps: kept, of: lockOfNodes(kept, scene.nodes.length) };
    const broken = findBroken(locks, order);
    if (!broken) return { locks: kept.length > 0 ? locks : void 0, lost };
    const name2 = (node) => scene.nodes[node].id;
    lost.push({ ids: kept[broken.lock].map(name2), because: broken.between.map(name2) });
    kept.splice(broken.lock, 1);
  }
}
var isOneOf = (ids, part2, path2) => ids.includes(part2) || ids.some((id2) => path2.startsWith(`${id2}/`));
function lockOfNodes(steps2, count) {
  const of = new Int32Array(count).fill(-1);
  steps2.forEach((nodes, lock) => nodes.forEach((node) => of[node] = lock));
  return of;
}
function inOrder(nodes, { after }) {
  const left = new Set(nodes);
  const ordered = [];
  while (left.size > 0) {
    const waits = new Set([...left].flatMap((node) => after[node]));
    const next = [...left].find((node) => !waits.has(node)) ?? [...left][0];
    ordered.push(next);
    left.delete(next);
  }
  return ordered;
}
function findBroken({ steps: steps2, of }, { after }) {
  for (let lock = 0; lock < steps2.length; lock++) {
    const seen2 = /* @__PURE__ */ new Set();
    const queue = [];
    const reach2 = (node) => {
      const group = of[node] >= 0 ? steps2[of[node]] : [node];
      for (const member of group) {
        if (seen2.has(member)) continue;
        seen2.add(member);
        queue.push(member);
      }
    };
    for (const member of steps2[lock]) for (const next of after[member]) if (of[next] !== lock) reach2(next);
    for (const node of queue) {
      for (const next of after[node]) {
        if (of[next] === lock) return { lock, between: [node] };
        reach2(next);
      }
    }
  }
  return void 0;
}

// src/core/plan/clusters.ts
var LEAST_NODES = 12;
var MOST_GROUND = 4;
function findClusters(scene, adjacency) {
  const planes = [...new Set(scene.nodeBoxes.map((box) => box.min[2]))].sort((a, b) => a - b);
  for (const plane of planes.slice(0, MOST_GROUND)) {
    const found2 = componentsAbove(scene, adjacency, plane);
    if (found2) return found2;
  }
  return new Int32Array(scene.nodes.length).fill(-1);
}
function componentsAbove(scene, adjacency, ground) {
  const count = scene.nodes.length;
  const cluster = new Int32Array(count).fill(-1);
  const sizes = [];
  for (let seed = 0; seed < count; seed++) {
    if (cluster[seed] >= 0 || scene.nodeBoxes[seed].min[2] <= ground) continue;
    const id2 = sizes.length;
    const queue = [seed];
    cluster[seed] = id2;
    for (const node of queue) {
      for (let k = adjacency.start[node]; k < adjacency.start[node + 1]; k++) {
        const other = adjacency.list[k];
        if (cluster[other] >= 0 || scene.nodeBoxes[other].min[2] <= ground) continue;
        cluster[other] = id2;
        queue.push(other);
      }
    }
    sizes.push(queue.length);
  }
  if (sizes.filter((size2) => size2 >= LEAST_NODES).length < 2) return void 0;
  return cluster.map((id2) => id2 >= 0 && sizes[id2] >= LEAST_NODES ? id2 : -1);
}

// src/core/plan/mirror-pairs.ts
var SYMMETRIC = 0.6;
var MOST_NODES3 = 300;
function findMirrorPairs(scene) {
  const none2 = new Int32Array(scene.nodes.length).fill(-1);
  if (scene.nodes.length > MOST_NODES3) return none2;
  for (const axis of [0, 1]) {
    const pairs = pairsAcross(scene, axis);
    let paired = 0;
    for (const partner of pairs) if (partner >= 0) paired++;
    if (paired >= SYMMETRIC * scene.nodes.length && paired > 2) return pairs;
  }
  return none2;
}
function pairsAcross({ nodes, nodeBoxes }, axis) {
  let low = Infinity;
  let high = -Infinity;
  for (const { min, max } of nodeBoxes) {
    low = Math.min(low, min[axis]);
    high = Math.max(high, max[axis]);
  }
  const key = (node, isMirrored) => {
    const { min, max } = nodeBoxes[node];
    const placed = nodes[node].parts[0];
    if (nodes[node].kind !== "part" || !placed) return `${node}`;
    const twin = placed.shape.mirror.twin ?? placed.shape.id;
    const start = isMirrored ? low + high - max[axis] : min[axis];
    const end = isMirrored ? low + high - min[axis] : max[axis];
    return `${isMirrored ? twin : placed.shape.id} ${placed.colour} ${start} ${end} ${min[1 - axis]} ${max[1 - axis]} ${min[2]}`;
  };
  const at = /* @__PURE__ */ new Map();
  nodes.forEach((_, node) => at.set(key(node, false), node));
  return Int32Array.from(nodes, (_, node) => {
    const partner = at.get(key(node, true)) ?? -1;
    return partner === node ? -1 : partner;
  });
}

// src/core/plan/node-facts.ts
function nodeFacts(scene, adjacency) {
  const count = scene.nodes.length;
  const facts = {
    x: new Float64Array(count),
    y: new Float64Array(count),
    plane: new Float64Array(count),
    top: new Float64Array(count),
    isFlat: new Uint8Array(count),
    piece: new Int32Array(count),
    likeness: new Int32Array(count),
    isPart: new Uint8Array(count),
    isEmpty: new Uint8Array(count),
    partner: findMirrorPairs(scene),
    cluster: findClusters(scene, adjacency),
    stepParts: new Array(count)
  };
  const pieces = /* @__PURE__ */ new Map();
  const likenesses = /* @__PURE__ */ new Map();
  const texts2 = /* @__PURE__ */ new Map();
  scene.nodes.forEach((spec, node) => {
    const { min, max } = scene.nodeBoxes[node];
    const made = stepPart(scene, node);
    const [piece, likeness] = [once(texts2, made.piece), once(texts2, made.likeness)];
    facts.stepParts[node] = { piece, likeness, box: made.box };
    facts.x[node] = (min[0] + max[0]) / (2 * STUD_PITCH);
    facts.y[node] = (min[1] + max[1]) / (2 * STUD_PITCH);
    facts.plane[node] = min[2];
    facts.top[node] = max[2];
    facts.isFlat[node] = max[2] - min[2] <= PLATE_HEIGHT ? 1 : 0;
    facts.piece[node] = numberOf2(pieces, piece);
    facts.likeness[node] = numberOf2(likenesses, likeness);
    facts.isPart[node] = spec.kind === "part" ? 1 : 0;
    facts.isEmpty[node] = spec.parts.length === 0 ? 1 : 0;
  });
  return facts;
}
function once(texts2, text) {
  const known21 = texts2.get(text);
  if (known21 === void 0) texts2.set(text, text);
  return known21 ?? text;
}
function numberOf2(numbers, text) {
  let known21 = numbers.get(text);
  if (known21 === void 0) numbers.set(text, known21 = numbers.size);
  return known21;
}

// src/core/plan/precede.ts
function findPrecedence(space, leaving, pressed = []) {
  const after = leaving.map(() => []);
  const waits = new Int32Array(leaving.length);
  const edge = (first, then) => {
    const list = after[first];
    if (list[list.length - 1] === then || list.includes(then)) return;
    list.push(then);
    waits[then]++;
  };
  for (const axis of [0, 1, 2]) {
    for (const sense of [1, -1]) {
      const isLeaver = (node) => {
        const travel = leaving[node];
        return typeof travel === "number" && axisOf(travel) === axis && senseOf(travel) === sense;
      };
      if (leaving.some((_, node) => isLeaver(node))) space.columns[axis].eachWait(sense, isLeaver, edge);
    }
  }
  for (const joint of space.joints.list) {
    const mustPrecede2 = (node, other) => {
      const travel = leaving[node];
      if (travel !== void 0 && !isAlong(joint, travel)) edge(node, other);
    };
    mustPrecede2(joint.a, joint.b);
    mustPrecede2(joint.b, joint.a);
  }
  for (const { node, out, press } of pressed) {
    eachPressObstacle(space, node, out, press, (other) => {
      edge(node, other);
      return false;
    });
  }
  leaving.forEach((travel, node) => {
    if (travel !== void 0) space.eachInFreePath(node, travel, (other) => edge(node, other));
  });
  return { after, waits };
}

// src/core/plan/section-plan.ts
function buildSection(model2, flattener, sectionId, options) {
  const section2 = sectionById(model2, sectionId);
  if (section2.steps && !section2.planRest) return [followGiven(model2, flattener, section2, section2.steps, options.spaces)];
  const specs = sectionNodes(model2, flattener, sectionId);
  const counter = { next: 1 };
  const built = planNodes({ id: sectionId, name: section2.name, base: sectionId, derivedFrom: void 0 }, specs, counter, options, section2);
  const own = built[built.length - 1];
  const loose = looseSteps(model2, sectionId, options.limits);
  return [...built.slice(0, -1), { ...own, looseParts: [...own.steps.map(() => []), ...loose] }];
}
var PEEL_SHARE = 0.2;
function planNodes(identity, specs, counter, options, section2) {
  let scene = buildScene(specs);
  let joints = findJoints(scene);
  let space = new SpaceLeft(scene, joints);
  const peelShare = options.effort ? PEEL_SHARE : 1;
  const greedy = new Peeler(space, (done, all2) => options.progress?.(done * peelShare, all2)).run();
  const isDoubtful = greedy.some((leave) => leave.nodes.length > 1 || leave.block !== void 0);
  const leaves = isDoubtful && peelExactly(space) || greedy;
  const derived = [];
  const contracted = [];
  const leaving = [];
  const pressed = [];
  const leaveNodes = new Int32Array(leaves.length);
  const rank = new Map(leaves.map((leave, i) => [leave, i]));
  for (const leave of [...leaves].sort((a, b) => Math.min(...a.nodes) - Math.min(...b.nodes))) {
    leaveNodes[rank.get(leave)] = leaving.length;
    if (leave.press !== void 0) pressed.push({ node: leaving.length, out: leave.travel, press: leave.press });
    leaving.push(leave.block || leave.press !== void 0 ? void 0 : leave.travel);
    contracted.push(leave.nodes.length === 1 ? specs[leave.nodes[0]] : derive(leave));
  }
  function derive(leave) {
    const inner = [...leave.nodes].sort((a, b) => a - b).map((node) => specs[node]);
    const id2 = `${identity.base}~${counter.next++}`;
    const name2 = `${identity.name}, unit ${id2.slice(identity.base.length + 1)}`;
    derived.push(...planNodes({ id: id2, name: name2, base: identity.base, derivedFrom: identity.id }, inner, counter, options));
    return { id: id2, kind: "derived", source: id2, parts: inner.flatMap((spec) => spec.parts) };
  }
  const hasUnits = leaves.some((leave) => leave.nodes.length > 1);
  const newOf = new Int32Array(specs.length);
  leaves.forEach((leave, i) => leave.nodes.forEach((node) => newOf[node] = leaveNodes[i]));
  if (hasUnits) {
    scene = contractScene(scene, contracted, newOf);
    joints = contractJoints(joints, newOf, contracted.length);
    space = space.contract(scene, joints, newOf);
  } else space.restore();
  const precedence = findPrecedence(space, leaving, pressed);
  const index = new Map(contracted.map((spec, node) => [spec, node]));
  const starters = findStarters(scene, joints, leaveNodes);
  const presses = new Map(pressed.map(({ node, press }) => [node, press]));
  for (const { node, out } of pressed) leaving[node] = out;
  const isSideways = Uint8Array.from(leaving, (travel) => typeof travel === "number" && axisOf(travel) !== 2 ? 1 : 0);
  const { locks, lost } = section2 ? findLocks(section2, scene, precedence) : { locks: void 0, lost: [] };
  const frame2 = {
    scene,
    joints,
    order: precedence,
    starters,
    isSideways,
    facts: nodeFacts(scene, joints.adjacency),
    ...locks ? { locks } : {}
  };
  const { manner, steps: steps2 } = searchSchedule(frame2, {
    ...options,
    tried: (fraction) => options.progress?.(peelShare + (1 - peelShare) * fraction, 1)
  });
  const arrives = leaving.map((travel) => travel === void 0 ? MINUS_Z : reverseTravel(travel));
  const holding2 = followHolding(scene, joints, steps2);
  const blocks = leaves.flatMap(({ block: block2 }) => block2 ? [renumber(block2, specs, index)] : []);
  return [
    ...derived,
    {
      ...identity,
      frame: frame2,
      manner,
      scene,
      joints,
      steps: steps2,
      arrives,
      presses,
      blocks,
      holding: holding2,
      lies: lieOfSteps({ steps: steps2, arrives, holding: holding2 }),
      looseParts: [],
      missing: [],
      twice: [],
      lostLocks: lost
    }
  ];
}
function layAgain(built, wishes, options) {
  if (!built.frame) return built;
  const steps2 = schedule(built.frame, { limits: options.limits, wishes, ...built.manner ? { manner: built.manner } : {} });
  const holding2 = followHolding(built.scene, built.joints, steps2);
  const loose = built.looseParts.filter((ids) => ids.length > 0);
  return {
    ...built,
    steps: steps2,
    holding: holding2,
    lies: lieOfSteps({ steps: steps2, arrives: built.arrives, holding: holding2 }),
    looseParts: loose.length === 0 ? [] : [...steps2.map(() => []), ...loose]
  };
}
function findStarters(scene, joints, leaveNodes) {
  const present = new Uint8Array(scene.nodes.length);
  const isStarter = new Uint8Array(scene.nodes.length);
  for (let i = leaveNodes.length - 1; i >= 0; i--) {
    const node = leaveNodes[i];
    if (!neighboursOf(joints, node).some((other) => present[other] === 1)) isStarter[node] = 1;
    present[node] = 1;
  }
  const first = leaveNodes[leaveNodes.length - 1];
  return { isStarter, firstPlane: first === void 0 ? 0 : scene.nodeBoxes[first].min[2] };
}
function renumber(block2, specs, index) {
  const blockers = block2.blockers.flatMap(({ travel, by }) => {
    const now = index.get(specs[by]);
    return now === void 0 ? [] : [{ travel, by: now }];
  });
  const all2 = (nodes) => nodes.flatMap((node) => index.get(specs[node]) ?? []);
  const knot = block2.knot && { core: all2(block2.knot.core), keys: all2(block2.knot.keys) };
  return { node: index.get(specs[block2.node]), blockers, ...knot ? { knot } : {} };
}
function looseSteps(model2, sectionId, limits) {
  const steps2 = [];
  let kinds = /* @__PURE__ */ new Set();
  for (const part2 of partsOf(sectionById(model2, sectionId))) {
    if (!isLoose(part2)) continue;
    const piece = `${part2.shape} ${part2.colour}`;
    const open = steps2[steps2.length - 1];
    if (open && open.length < limits.parts && (kinds.has(piece) || kinds.size < limits.kinds)) {
      open.push(part2.id);
      kinds.add(piece);
    } else {
      steps2.push([part2.id]);
      kinds = /* @__PURE__ */ new Set([piece]);
    }
  }
  return steps2;
}

// src/core/plan/plan.ts
function planModel(model2, options = {}, cache) {
  const limits = options.limits ?? NORMAL_LIMITS;
  const { strategy = "ground-up", effort = 0, seed = SEED } = options;
  const flattener = new Flattener(model2);
  const order = buildingOrder(model2);
  const sizes = order.map((id2) => partsOf(sectionById(model2, id2)).length + 1);
  const all2 = sizes.reduce((a, b) => a + b, 0);
  const uses = sectionUses(model2);
  const printed = /* @__PURE__ */ new Map();
  const print2 = (section2) => {
    let text = printed.get(section2);
    if (!text) printed.set(section2, text = writeSection(model2, section2, uses.get(section2.base)));
    return text;
  };
  let done = 0;
  const built = order.flatMap((id2, i) => {
    const key = [
      ...reachable(model2, id2).flatMap((section2, k) => contentOf(sectionById(model2, section2), k === 0)),
      model2.shapes,
      limits,
      strategy,
      effort,
      seed
    ];
    let sections = cache?.recall(id2, key);
    if (!sections) {
      const progress = (part2, whole) => options.progress?.((done + sizes[i] * part2 / Math.max(1, whole)) / all2);
      const plain = buildSection(model2, flattener, id2, {
        limits,
        strategy,
        effort,
        seed,
        progress,
        ...cache ? { spaces: cache.spaces } : {}
      });
      const { refine } = options;
      sections = refine ? plain.map(refine) : plain;
      cache?.keep(id2, key, sections);
    }
    done += sizes[i];
    options.progress?.(done / all2);
    return sections;
  });
  const inventory = inventoryOf(model2);
  return {
    plan: {
      name: model2.name,
      parts: total(inventory),
      sections: built.map(print2),
      inventory,
      colours: coloursOf(inventory)
    },
    built
  };
}
var contentOf = (section2, isItself) => isItself ? [section2] : [section2.parts, section2.copies];
function reachable(model2, id2) {
  const seen2 = /* @__PURE__ */ new Set([id2]);
  for (const section2 of seen2) for (const copy2 of sectionById(model2, section2).copies ?? []) seen2.add(copy2.section);
  return [...seen2];
}
function writeSection(model2, built, use) {
  const parts = partsById(partsOf(sectionById(model2, built.base)));
  const count = Math.max(built.steps.length, built.looseParts.length);
  const steps2 = Array.from({ length: count }, (_, i) => writeStep(built, i, parts));
  return {
    id: built.id,
    name: built.name,
    times: use.times,
    mirrored: use.mirrored,
    parts: built.derivedFrom === void 0 ? ownParts(model2, built, steps2) : calloutTotal(steps2),
    ...built.derivedFrom === void 0 ? {} : { derivedFrom: built.derivedFrom },
    steps: steps2
  };
}
var calloutTotal = (steps2) => steps2.reduce((sum, step2) => sum + total(step2.callout), 0);
function ownParts(model2, built, steps2) {
  const isDivided = built.scene.nodes.some((spec) => spec.kind === "derived");
  return isDivided ? calloutTotal(steps2) : ownPieceCount(model2, built.base);
}
var partMaps = /* @__PURE__ */ new WeakMap();
function partsById(parts) {
  let known21 = partMaps.get(parts);
  if (!known21) partMaps.set(parts, known21 = new Map(parts.map((part2) => [part2.id, part2])));
  return known21;
}
var written = /* @__PURE__ */ new WeakMap();
var NO_NODES = [];
var NOTHING_LOOSE = [];
function writeStep(built, index, parts) {
  const nodes = built.steps[index] ?? NO_NODES;
  const loose = built.looseParts[index] ?? NOTHING_LOOSE;
  const rests = built.holding.rests[index] ?? NO_NODES;
  const turn2 = turnFrom(built.lies, index);
  const known21 = written.get(nodes);
  if (known21?.parts === parts && known21.loose === loose && known21.step.turn === turn2 && isWrittenAs(built, nodes, rests, known21)) {
    return known21.step.number === index + 1 ? known21.step : { ...known21.step, number: index + 1 };
  }
  const added = nodes.filter((node) => built.scene.nodes[node].kind === "part").map((node) => built.scene.nodes[node].id);
  const step2 = {
    number: index + 1,
    moves: writeMoves(built, nodes, loose),
    callout: trayOf([...added, ...loose].map((id2) => parts.get(id2))),
    rests: rests.map((node) => built.scene.nodes[node].id),
    ...turn2 === void 0 ? {} : { turn: turn2 }
  };
  const arrives = nodes.map((node) => built.arrives[node]);
  const presses = nodes.map((node) => built.presses.get(node));
  if (nodes !== NO_NODES)
    written.set(nodes, { parts, arrives, presses, hasPresses: presses.some((press) => press !== void 0), loose, rests, step: step2 });
  return step2;
}
function turnFrom(lies, index) {
  const now = lies[index] ?? lies[lies.length - 1] ?? NO_TURN;
  const before = index === 0 ? NO_TURN : lies[index - 1] ?? now;
  return now === before ? void 0 : turnText(now);
}
function isWrittenAs(built, nodes, rests, known21) {
  if (rests.length !== known21.rests.length) return false;
  for (let i = 0; i < rests.length; i++) if (rests[i] !== known21.rests[i]) return false;
  const { arrives, presses } = built;
  for (let i = 0; i < nodes.length; i++) {
    if (arrives[nodes[i]] !== known21.arrives[i]) return false;
    if ((presses.size > 0 || known21.hasPresses) && presses.get(nodes[i]) !== known21.presses[i]) return false;
  }
  return true;
}
function writeMoves(built, nodes, loose) {
  const moves = [];
  let open;
  for (const node of nodes) {
    const spec = built.scene.nodes[node];
    const press = built.presses.get(node);
    const way = { direction: directionValue(built.arrives[node]), ...press === void 0 ? {} : { press: DIRECTION_TEXTS[press] } };
    if (spec.kind !== "part") {
      open = void 0;
      moves.push(spec.kind === "copy" ? { copy: spec.id, ...way } : { section: spec.id, ...way });
      continue;
    }
    const text = `${String(way.direction)} ${way.press ?? ""}`;
    if (open?.way === text) open.parts.push(spec.id);
    else {
      open = { parts: [spec.id], way: text };
      moves.push({ parts: open.parts, ...way });
    }
  }
  if (loose.length > 0) moves.push({ parts: [...loose], direction: "-z" });
  return moves;
}
var directionValue = (travel) => typeof travel === "number" ? DIRECTION_TEXTS[travel] : travel.map((value) => Math.round(value * 1e6) / 1e6);

// src/core/plan/measures.ts
var POORLY = 0.2;
function measurePlan(built, visible) {
  let sums = ZERO;
  let poor = 0;
  built.forEach((section2, s) => {
    const own = sumsOf(section2.scene, section2.steps);
    const loose = section2.looseParts.flat().length;
    const moreSteps = Math.max(0, section2.looseParts.length - section2.steps.length);
    sums = addSums(sums, { ...own, parts: own.parts + loose, steps: own.steps + moreSteps, turns: countTurns(section2.lies, section2) });
    poor += countPoor(visible?.[s] ?? []);
  });
  return measuresOf(sums, poor);
}
function countPoor(steps2) {
  let poor = 0;
  for (const shares of steps2) {
    for (const share2 of shares) {
      if (share2 >= POORLY) continue;
      poor++;
      break;
    }
  }
  return poor;
}

// src/core/checks/place.ts
var SEVERITIES = {
  overlap: "error",
  unheld: "error",
  blocked: "error",
  rests: "error",
  "step-missing": "error",
  "step-twice": "error",
  "no-mirror-twin": "error",
  hidden: "warning",
  "weak-joint": "warning",
  "straight-seam": "warning",
  "tips-over": "warning",
  "lock-lost": "warning",
  "see-through": "warning",
  "turn-trap": "warning",
  access: "warning",
  "large-unit": "warning",
  strained: "warning",
  "alike-colours": "warning",
  "never-seen": "note",
  loose: "note"
};
var MOST_NAMED = 4;
function nameParts(ids) {
  const named = ids.slice(0, MOST_NAMED).map((id2) => `\u201C${id2}\u201D`);
  const rest2 = ids.length - named.length;
  return rest2 > 0 ? `${named.join(", ")} and ${rest2} more` : named.join(", ").replace(/, ([^,]*)$/, " and $1");
}
var finding = (code, place, message) => ({
  code,
  severity: SEVERITIES[code],
  section: place.section,
  step: place.step,
  parts: place.parts,
  message
});
var idsOf = (built, nodes) => nodes.map((node) => built.scene.nodes[node].id);
function stepNumber({ scene, steps: steps2 }, node) {
  let known21 = stepNumbers.get(steps2);
  if (!known21) {
    known21 = new Int32Array(scene.nodes.length);
    for (let i = 0; i < steps2.length; i++) for (const member of steps2[i]) known21[member] = i + 1;
    stepNumbers.set(steps2, known21);
  }
  return known21[node] || null;
}
var stepNumbers = /* @__PURE__ */ new WeakMap();
var grams = (mass) => `${mass < 10 ? mass.toFixed(1) : Math.round(mass)} g`;

// src/core/checks/weak.ts
var BOUNDS = {
  home: [{ studs: 1, heavy: 4, far: 60 }],
  travel: [
    { studs: 1, heavy: 1.5, far: 30 },
    { studs: 2, heavy: 8, far: 80 }
  ]
};
function weakJoints(built, level) {
  let groups = known8[level].get(built.scene);
  if (!groups) known8[level].set(built.scene, groups = findWeakGroups(built, BOUNDS[level]));
  return groups.map(({ joint, nodes, mass }) => {
    const ids = idsOf(
      built,
      [...nodes].sort((a, b) => a - b)
    );
    const { studs, hold: sort } = built.joints.list[joint];
    const steps2 = nodes.map((node) => stepNumber(built, node) ?? 0);
    const [one, many] = HOLD_WORDS[sort];
    const hold = studs === 1 ? `one ${one}` : `${studs} ${many} in one place`;
    const pressed = pressedIn(built, nodes);
    const message = `${nameParts(ids)}, ${grams(mass)} in all, hold to the rest by ${hold} only.${pressed} Add a part that ties them at a second place.`;
    return finding("weak-joint", { section: built.base, step: Math.max(...steps2) || null, parts: ids }, message);
  });
}
function pressedIn(built, nodes) {
  const steps2 = nodes.map((node) => stepNumber(built, node) ?? 0);
  const first = Math.min(...steps2);
  const pressing = nodes.filter((node, i) => steps2[i] > first && built.arrives[node] === MINUS_Z);
  if (pressing.length === 0) return "";
  const step2 = Math.min(...pressing.map((node) => stepNumber(built, node) ?? 0));
  return ` Step ${step2} presses on them while they hang so: hold them from below.`;
}
var known8 = { home: /* @__PURE__ */ new WeakMap(), travel: /* @__PURE__ */ new WeakMap() };
function findWeakGroups(built, levels) {
  const { scene, joints } = built;
  const masses = nodeMasses(scene);
  const total2 = masses.reduce((a, b) => a + b, 0);
  const groups = findBridges(joints, scene.nodes.length).map(({ joint, beyond }) => {
    const mass = beyond.reduce((sum, node) => sum + masses[node], 0);
    return mass * 2 <= total2 ? { joint, nodes: beyond, mass } : { joint, nodes: rest(scene, beyond), mass: total2 - mass };
  }).filter((group) => group.nodes.length > 1 && levels.some((bounds) => isWeak(built, group, bounds, masses))).sort((a, b) => b.nodes.length - a.nodes.length || Math.min(...a.nodes) - Math.min(...b.nodes));
  const named = /* @__PURE__ */ new Set();
  return groups.filter(({ nodes }) => {
    if (nodes.every((node) => named.has(node))) return false;
    for (const node of nodes) named.add(node);
    return true;
  });
}
var massTables = /* @__PURE__ */ new WeakMap();
function nodeMasses(scene) {
  let masses = massTables.get(scene);
  if (!masses) {
    masses = Float64Array.from(scene.nodes, ({ parts }) => parts.reduce((sum, { shape }) => sum + massOf(shape), 0));
    massTables.set(scene, masses);
  }
  return masses;
}
function rest(scene, beyond) {
  const inside = new Set(beyond);
  return scene.nodes.map((_, node) => node).filter((node) => !inside.has(node));
}
function isWeak(built, group, { studs, heavy, far }, masses) {
  const joint = built.joints.list[group.joint];
  if (joint.studs > studs || joint.hold === HOLD.post) return false;
  if (group.mass >= heavy) return true;
  const { held } = built.joints;
  const at = held.start[group.joint] * 3;
  const stud = [held.places[at], held.places[at + 1], held.places[at + 2]];
  return length(subtract(middleOfMass(built.scene, group.nodes, masses), stud)) >= far;
}
function middleOfMass(scene, nodes, masses) {
  let sum = 0;
  const at = [0, 0, 0];
  for (const node of nodes) {
    const place = middle(scene.nodeBoxes[node]);
    sum += masses[node];
    for (const i of [0, 1, 2]) at[i] += masses[node] * place[i];
  }
  return sum === 0 ? at : [at[0] / sum, at[1] / sum, at[2] / sum];
}

// src/core/checks/balance.ts
var LEAST_TILT = 6;
function tipsOver(built, isRoot) {
  if (built.holding.problems.length > 0 || built.scene.nodes.length < 2) return [];
  const tilts = tiltsOf(built);
  for (const [i, step2] of built.steps.entries()) {
    if (built.lies[i] !== NO_TURN || step2.some((node) => built.arrives[node] === PLUS_Z)) continue;
    const tilt = tilts[i];
    const isLast = i === built.steps.length - 1;
    if (tilt >= 0 && !(isLast && isRoot && tilt < LEAST_TILT)) continue;
    const parts = step2.map((node) => built.scene.nodes[node].id);
    if (tilt < 0) {
      const message2 = `After this step the work falls over: its weight lies ${Math.abs(tilt).toFixed(0)}\xB0 outside what it stands on. Hold it, or add its feet sooner.`;
      return [finding("tips-over", { section: built.id, step: i + 1, parts }, message2)];
    }
    const message = `The finished model falls when it is tilted by ${tilt.toFixed(1)}\xB0. Widen its foot, or make it heavier below.`;
    return [finding("tips-over", { section: built.id, step: null, parts }, message)];
  }
  return [];
}
var known9 = /* @__PURE__ */ new WeakMap();
var MOST_KNOWN = 2e5;
function tiltsOf(built) {
  let tilts = known9.get(built.scene);
  if (!tilts || tilts.size > MOST_KNOWN) known9.set(built.scene, tilts = /* @__PURE__ */ new Map());
  const { before } = orderSets(built.steps);
  const found2 = new Float64Array(built.steps.length);
  const missing = [];
  let at = 0;
  for (let i = 0; i < built.steps.length; i++) {
    at += built.steps[i].length;
    const tilt = tilts.get(before[at]);
    if (tilt === void 0) missing.push(i);
    else found2[i] = tilt;
  }
  if (missing.length === 0) return found2;
  const stand = new Stand(built);
  let next = 0;
  at = 0;
  for (const step2 of missing) {
    for (; next <= step2; next++) {
      for (const node of built.steps[next]) stand.put(node);
      at += built.steps[next].length;
    }
    found2[step2] = stand.tilt();
    tilts.set(before[at], found2[step2]);
  }
  return found2;
}
var Stand = class {
  constructor(built) {
    this.built = built;
    this.masses = nodeMasses(built.scene);
    this.rows = bodyRows(built.scene);
    this.boxes = flatNodeBoxes(built.scene);
  }
  built;
  masses;
  mass = 0;
  moment = [0, 0, 0];
  table = Infinity;
  /** Outline of all that touches the table. */
  outline = [];
  rows;
  boxes;
  put(node) {
    const { bodies } = this.built.scene;
    const { boxes } = this;
    const mass = this.masses[node];
    this.mass += mass;
    for (const i of [0, 1, 2]) this.moment[i] += mass * (boxes[node * 6 + i] + boxes[node * 6 + 3 + i]) / 2;
    const plane = boxes[node * 6 + 2];
    if (plane > this.table) return;
    if (plane < this.table) this.outline = [];
    this.table = plane;
    const feet = this.outline.slice();
    for (const row of this.rows[node]) {
      const at = row * 6;
      if (bodies.boxes[at + 2] !== this.table) continue;
      const [x0, y0, x1, y1] = [bodies.boxes[at], bodies.boxes[at + 1], bodies.boxes[at + 3], bodies.boxes[at + 4]];
      feet.push([x0, y0], [x1, y0], [x1, y1], [x0, y1]);
    }
    this.outline = convexHull(feet);
  }
  /** By how many degrees it must be tilted to fall; negative when it falls by itself. */
  tilt() {
    if (this.outline.length < 3 || this.mass === 0) return 90;
    const { moment, mass } = this;
    const inside = distanceInside(this.outline, moment[0] / mass, moment[1] / mass);
    return Math.atan2(inside, Math.max(1, moment[2] / mass - this.table)) * 180 / Math.PI;
  }
};
var rowTables = /* @__PURE__ */ new WeakMap();
function bodyRows(scene) {
  let known21 = rowTables.get(scene);
  if (!known21) {
    const rows2 = scene.nodes.map(() => []);
    scene.bodies.node.forEach((node, row) => rows2[node].push(row));
    rowTables.set(scene, known21 = rows2);
  }
  return known21;
}
function convexHull(points) {
  const sorted = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const cross3 = (o, a, b) => (a[0] - o[0]) * (b[1] - o[1]) - (a[1] - o[1]) * (b[0] - o[0]);
  const chain3 = (ordered) => {
    const hull = [];
    for (const point2 of ordered) {
      while (hull.length > 1 && cross3(hull[hull.length - 2], hull[hull.length - 1], point2) <= 0) hull.pop();
      hull.push(point2);
    }
    hull.pop();
    return hull;
  };
  return [...chain3(sorted), ...chain3(sorted.reverse())];
}
function distanceInside(hull, x, y) {
  let least = Infinity;
  for (let i = 0; i < hull.length; i++) {
    const a = hull[i];
    const b = hull[i + 1 < hull.length ? i + 1 : 0];
    const dx = b[0] - a[0];
    const dy = b[1] - a[1];
    least = Math.min(least, (dx * (y - a[1]) - dy * (x - a[0])) / Math.hypot(dx, dy));
  }
  return least;
}

// src/core/checks/seams.ts
var COURSES = 3;
var MOST_PARTS = 24;
function straightSeams(built) {
  let chains = known10.get(built.scene);
  if (!chains) known10.set(built.scene, chains = findChains(built));
  return chains.map((chain3) => describe(built, chain3));
}
var known10 = /* @__PURE__ */ new WeakMap();
function findChains(built) {
  const seams = [...findSeams(built, 0), ...findSeams(built, 1)];
  const byLow = /* @__PURE__ */ new Map();
  const key = (seam, z) => `${seam.axis} ${seam.at} ${z}`;
  for (const seam of seams) {
    const list = byLow.get(key(seam, seam.low));
    if (list) list.push(seam);
    else byLow.set(key(seam, seam.low), [seam]);
  }
  const above = (seam) => (byLow.get(key(seam, seam.high)) ?? []).filter((next) => next.from < seam.to && seam.from < next.to);
  const carried = new Set(seams.flatMap(above));
  const chains = [];
  const told = /* @__PURE__ */ new Set();
  for (const seam of seams) {
    if (carried.has(seam) || told.has(seam)) continue;
    const chain3 = longestChain(seam, above);
    for (const part2 of chain3) told.add(part2);
    if (chain3.length >= COURSES) chains.push(chain3);
  }
  return chains;
}
function longestChain(seam, above) {
  const chain3 = [seam];
  for (let next = above(seam)[0]; next; next = above(next)[0]) chain3.push(next);
  return chain3;
}
function findSeams(built, axis) {
  const { bodies, nodes, parts } = built.scene;
  const across = axis === 0 ? 1 : 0;
  const side = (i, k) => bodies.boxes[i * 6 + k];
  const endingAt = /* @__PURE__ */ new Map();
  const cellKey = (at, z) => `${at} ${z}`;
  const isPart = (i) => nodes[bodies.node[i]].kind === "part" && isLaid(parts[bodies.part[i]].shape);
  for (let i = 0; i < bodies.count; i++) {
    if (!isPart(i)) continue;
    const k = cellKey(side(i, axis + 3), side(i, 2));
    const list = endingAt.get(k);
    if (list) list.push(i);
    else endingAt.set(k, [i]);
  }
  const seams = [];
  for (let i = 0; i < bodies.count; i++) {
    if (!isPart(i)) continue;
    for (const j of endingAt.get(cellKey(side(i, axis), side(i, 2))) ?? []) {
      if (bodies.node[i] === bodies.node[j] || side(i, 5) !== side(j, 5)) continue;
      const from = Math.max(side(i, across), side(j, across));
      const to = Math.min(side(i, across + 3), side(j, across + 3));
      if (from >= to) continue;
      seams.push({ axis, at: side(i, axis), from, to, low: side(i, 2), high: side(i, 5), nodes: [bodies.node[j], bodies.node[i]] });
    }
  }
  return seams.sort((a, b) => a.low - b.low || a.at - b.at || a.from - b.from);
}
var isLaid = (shape) => shape.connectors.some(({ kind }) => kind === "stud" || kind === "socket");
function describe(built, chain3) {
  const nodes = [...new Set(chain3.flatMap((seam) => seam.nodes))].slice(0, MOST_PARTS);
  const ids = idsOf(built, nodes);
  const middle2 = chain3[chain3.length >> 1];
  const [left, right] = idsOf(built, middle2.nodes);
  const message = `A seam runs straight up through ${chain3.length} courses between ${nameParts(ids.slice(0, 2))} and what stands on them. Let a part lap over it, for instance where \u201C${left}\u201D and \u201C${right}\u201D meet.`;
  const steps2 = nodes.map((node) => stepNumber(built, node) ?? 0);
  return finding("straight-seam", { section: built.base, step: Math.max(...steps2) || null, parts: ids }, message);
}

// src/core/checks/words.ts
var WAY_WORDS = ["from the right", "from the left", "from behind", "from the front", "from above", "from below"];
function wayInWords(travel) {
  return typeof travel === "number" ? WAY_WORDS[travel] : `along (${travelVector(travel).map((v) => v.toFixed(2)).join(", ")})`;
}

// src/core/checks/access.ts
var ROOM = 24;
var SIDES = [PLUS_Z, MINUS_Y, PLUS_Y, PLUS_X, MINUS_X];
function lostPlaces(model2, built) {
  if (built.derivedFrom !== void 0) return [];
  return (sectionById(model2, built.base).places ?? []).flatMap(({ name: name2, part: part2 }) => {
    const node = built.scene.nodes.findIndex((spec) => spec.id === part2 || spec.parts.some((placed) => placed.part.id === part2));
    return node < 0 ? [] : lostFrom(built, name2, node);
  });
}
function lostFrom(built, name2, place) {
  const { scene, steps: steps2, id: id2 } = built;
  const closed = /* @__PURE__ */ new Map();
  let isThere = false;
  for (const [i, step2] of steps2.entries()) {
    for (const node of step2) {
      isThere ||= node === place;
      if (node === place) continue;
      for (const side of SIDES) if (!closed.has(side) && isInWay(flatNodeBoxes(scene), place, node, side)) closed.set(side, node);
    }
    if (!isThere || closed.size < SIDES.length) continue;
    const ways = [...closed].map(([side, by]) => `${wayInWords(side)} \u201C${scene.nodes[by].id}\u201D is in the way`);
    const parts = [.../* @__PURE__ */ new Set([place, ...closed.values()])].map((node) => scene.nodes[node].id);
    const message = `From this step on \u201C${name2}\u201D can no longer be reached: ${ways.join("; ")}. Put in what belongs there before, or leave one of ${nameParts(parts.slice(1))} out of the way.`;
    return [finding("access", { section: id2, step: i + 1, parts }, message)];
  }
  return [];
}
function isInWay(boxes, place, node, side) {
  const way = travelVector(side);
  return [0, 1, 2].every((k) => {
    let low = k === 2 ? boxes[place * 6 + 5] : boxes[place * 6 + k];
    let high = k === 2 ? low + ROOM : boxes[place * 6 + 3 + k];
    if (way[k] > 0) high = Infinity;
    if (way[k] < 0) low = -Infinity;
    return boxes[node * 6 + k] < high && low < boxes[node * 6 + 3 + k];
  });
}

// src/core/checks/alike.ts
function alikeColours(model2, built) {
  let catalogue;
  return built.steps.flatMap(
    (step2, i) => pairsOf(built, step2).flatMap(({ shape, colours, nodes }) => {
      catalogue ??= catalogueOf(model2);
      const [one, other] = colours.map((id2) => catalogue.colours.get(id2));
      const alike = one.finish === other.finish ? alikeFor(one.hex, other.hex) : "none";
      if (alike === "none") return [];
      const whom = alike === "all" ? "hard to tell apart" : "hard to tell apart for eyes that see fewer colours";
      const message = `${one.name} and ${other.name} are ${whom}, and this step has ${catalogue.shapes.get(shape).title} in both. Put them into different steps, or say in a note which goes where.`;
      return [
        finding(
          "alike-colours",
          { section: built.id, step: i + 1, parts: [...nodes].sort((a, b) => a - b).map((node) => built.scene.nodes[node].id) },
          message
        )
      ];
    })
  );
}
var known11 = /* @__PURE__ */ new WeakMap();
function pairsOf({ scene }, step2) {
  let pairs = known11.get(step2);
  if (pairs) return pairs;
  const byShape = /* @__PURE__ */ new Map();
  for (const node of step2) {
    const { kind, parts } = scene.nodes[node];
    if (kind !== "part") continue;
    const { shape, colour: colour2 } = parts[0];
    const colours = byShape.get(shape.id) ?? /* @__PURE__ */ new Map();
    colours.set(colour2, [...colours.get(colour2) ?? [], node]);
    byShape.set(shape.id, colours);
  }
  pairs = [...byShape].flatMap(([shape, colours]) => {
    const list = [...colours];
    return list.flatMap(
      ([one, mine], k) => list.slice(k + 1).map(([other, theirs]) => ({ shape, colours: [one, other], nodes: [...mine, ...theirs] }))
    );
  });
  known11.set(step2, pairs);
  return pairs;
}

// src/core/checks/large-unit.ts
var HAND = 20 * STUD_PITCH;
var HANDFUL = 48;
function largeUnit(built, whole) {
  if (!whole || lowest(built) === lowest(whole)) return [];
  const { nodes, nodeBoxes, parts } = built.scene;
  const size2 = Math.max(...sizeOf(nodeBoxes.reduce(unite)));
  if (size2 <= HAND && parts.length <= HANDFUL) return [];
  const ids = idsOf(
    built,
    nodes.flatMap((spec, node) => spec.kind === "derived" ? [] : [node])
  );
  const message = `${parts.length} parts, ${Math.round(size2 * 0.8 / 10)} cm long, can only go in as one, which is much to hold in a hand. Make them a section, so that builders know what they build and can lay it down.`;
  return [finding("large-unit", { section: built.id, step: null, parts: ids }, message)];
}
var lowest = ({ scene }) => scene.nodeBoxes.reduce((low, box) => Math.min(low, box.min[2]), Infinity);

// src/core/checks/light.ts
var CELL3 = [10, 10, 4];
var PROBE = [2, 2, 5];
var MOST_CELLS = 6e6;
var MOST_OPEN = 12;
var LEAST_ROOM = 60;
function lightGaps(built) {
  let gaps = known12.get(built.scene);
  if (!gaps) known12.set(built.scene, gaps = findGaps(built.scene));
  return gaps.map((nodes) => {
    const ids = idsOf(built, nodes);
    return finding(
      "see-through",
      { section: built.base, step: null, parts: ids },
      `Light falls through a small gap between ${nameParts(ids)} into a room that is closed elsewhere. Fill the gap, or open the room on purpose.`
    );
  });
}
var known12 = /* @__PURE__ */ new WeakMap();
var SOLID3 = 1;
var OUTSIDE = 2;
var THREAD = 3;
function findGaps(scene) {
  const air = Air.around(scene);
  if (!air) return [];
  air.fill(OUTSIDE, air.anchorsFrom(0));
  air.thread();
  return air.rooms().flatMap(({ cells, mouth }) => cells >= LEAST_ROOM && mouth.length <= MOST_OPEN ? [air.nodesAround(mouth)] : []);
}
var Air = class _Air {
  constructor(scene, from, size2) {
    this.scene = scene;
    this.from = from;
    this.size = size2;
    this.state = new Uint8Array(size2[0] * size2[1] * size2[2]);
    const { boxes } = scene.bodies;
    for (let row = 0; row < scene.bodies.count; row++) this.fillBox(boxes.subarray(row * 6, row * 6 + 6));
    for (const { hull, isStud } of scene.freeBodies) if (!isStud) this.fillBox([...hull.min, ...hull.max]);
  }
  scene;
  from;
  size;
  state;
  /** @returns undefined where there is nothing, or too much */
  static around(scene) {
    const boxes = flatNodeBoxes(scene);
    const low = [Infinity, Infinity, Infinity];
    const high = [-Infinity, -Infinity, -Infinity];
    for (let i = 0; i < boxes.length; i += 6) {
      for (const k of [0, 1, 2]) {
        low[k] = Math.min(low[k], boxes[i + k]);
        high[k] = Math.max(high[k], boxes[i + 3 + k]);
      }
    }
    const from = low.map((value, k) => Math.floor(value / CELL3[k]) - PROBE[k]);
    const size2 = high.map((value, k) => Math.ceil(value / CELL3[k]) + PROBE[k] - from[k]);
    const cells = size2.reduce((a, b) => a * b, 1);
    return Number.isFinite(cells) && cells <= MOST_CELLS ? new _Air(scene, from, size2) : void 0;
  }
  index(x, y, z) {
    return (z * this.size[1] + y) * this.size[0] + x;
  }
  /** A cell is full when a body holds its middle. */
  fillBox(box) {
    const range = (k) => [
      Math.ceil(box[k] / CELL3[k] - 0.5) - this.from[k],
      Math.ceil(box[k + 3] / CELL3[k] - 0.5) - 1 - this.from[k]
    ];
    const [[x0, x1], [y0, y1], [z0, z1]] = [range(0), range(1), range(2)];
    for (let z = z0; z <= z1; z++) for (let y = y0; y <= y1; y++) this.state.fill(SOLID3, this.index(x0, y, z), this.index(x1, y, z) + 1);
  }
  /** Lowest corners of the probe that it reaches from a corner of the space, moving a cell at a time. */
  anchorsFrom(start) {
    const [sx, sy, sz] = this.size;
    const fits = this.probeFits();
    const queue = new Int32Array(fits.length);
    const seen2 = new Uint8Array(fits.length);
    let count = 0;
    queue[count++] = start;
    seen2[start] = 1;
    for (let head2 = 0; head2 < count; head2++) {
      this.eachNeighbour(queue[head2], sx, sy, sz, (next) => {
        if (seen2[next] === 1 || fits[next] === 0) return;
        seen2[next] = 1;
        queue[count++] = next;
      });
    }
    return queue.subarray(0, count);
  }
  /** 1 for each cell at which the probe may stand with its lowest corner. Running minima along each axis. */
  probeFits() {
    const [sx, sy, sz] = this.size;
    const strides = [1, sx, sx * sy];
    let fits = this.state.map((state) => state === SOLID3 ? 0 : 1);
    for (const k of [0, 1, 2]) {
      const next = new Uint8Array(fits.length);
      for (let z = 0; z < sz; z++)
        for (let y = 0; y < sy; y++)
          for (let x = 0; x < sx; x++) {
            if ([x, y, z][k] + PROBE[k] > this.size[k]) continue;
            const at = this.index(x, y, z);
            let all2 = 1;
            for (let i = 0; i < PROBE[k]; i++) all2 &= fits[at + i * strides[k]];
            next[at] = all2;
          }
      fits = next;
    }
    return fits;
  }
  /** Marks all cells that the probe covers from its places. */
  fill(mark, anchors) {
    const [sx, sy] = this.size;
    for (const anchor of anchors)
      for (let z = 0; z < PROBE[2]; z++)
        for (let y = 0; y < PROBE[1]; y++) for (let x = 0; x < PROBE[0]; x++) this.state[anchor + x + (y + z * sy) * sx] = mark;
  }
  /** Marks all air that a thread reaches from outside, but the probe does not. */
  thread() {
    const [sx, sy, sz] = this.size;
    const queue = [];
    for (let at = 0; at < this.state.length; at++) if (this.state[at] === OUTSIDE) queue.push(at);
    for (let head2 = 0; head2 < queue.length; head2++) {
      this.eachNeighbour(queue[head2], sx, sy, sz, (next) => {
        if (this.state[next] !== 0) return;
        this.state[next] = THREAD;
        queue.push(next);
      });
    }
  }
  /** Connected air that only a thread reaches: how large it is, and the cells where it meets the outside. */
  rooms() {
    const [sx, sy, sz] = this.size;
    const seen2 = new Uint8Array(this.state.length);
    const rooms = [];
    for (let start = 0; start < this.state.length; start++) {
      if (this.state[start] !== THREAD || seen2[start] === 1) continue;
      const queue = [start];
      const mouth = [];
      seen2[start] = 1;
      for (let head2 = 0; head2 < queue.length; head2++) {
        let isMouth = false;
        this.eachNeighbour(queue[head2], sx, sy, sz, (next) => {
          if (this.state[next] === OUTSIDE) isMouth = true;
          if (this.state[next] !== THREAD || seen2[next] === 1) return;
          seen2[next] = 1;
          queue.push(next);
        });
        if (isMouth) mouth.push(queue[head2]);
      }
      rooms.push({ cells: queue.length, mouth });
    }
    return rooms;
  }
  eachNeighbour(at, sx, sy, sz, visit) {
    const x = at % sx;
    const y = Math.floor(at / sx) % sy;
    const z = Math.floor(at / (sx * sy));
    if (x > 0) visit(at - 1);
    if (x + 1 < sx) visit(at + 1);
    if (y > 0) visit(at - sx);
    if (y + 1 < sy) visit(at + sx);
    if (z > 0) visit(at - sx * sy);
    if (z + 1 < sz) visit(at + sx * sy);
  }
  /** Nodes whose boxes touch one of the cells, in the order of the section; a few tell the place. */
  nodesAround(cells) {
    const [sx, sy] = this.size;
    const boxes = flatNodeBoxes(this.scene);
    const found2 = /* @__PURE__ */ new Set();
    for (const at of cells) {
      const corner4 = [at % sx, Math.floor(at / sx) % sy, Math.floor(at / (sx * sy))].map((value, k) => (value + this.from[k]) * CELL3[k]);
      for (let node = 0; node < this.scene.nodes.length; node++) {
        const touches = [0, 1, 2].every((k) => boxes[node * 6 + k] <= corner4[k] + CELL3[k] && boxes[node * 6 + 3 + k] >= corner4[k]);
        if (touches && this.scene.nodes[node].parts.length > 0) found2.add(node);
      }
    }
    return [...found2].sort((a, b) => a - b).slice(0, 8);
  }
};

// src/core/picture/view.ts
var VIEWS = [0, 1, 2, 3, 4, 5, 6, 7];
var TURN = 33 * Math.PI / 180;
var LIFT = 29 * Math.PI / 180;
function viewMatrix(view) {
  const turn2 = TURN + (view & 3) * Math.PI / 2;
  const lift = view < 4 ? LIFT : -LIFT;
  const [c, s, cl, sl] = [Math.cos(turn2), Math.sin(turn2), Math.cos(lift), Math.sin(lift)];
  return [c, s, 0, -s * sl, c * sl, cl, -s * cl, c * cl, -sl];
}
function fitCamera(box, view, size2, margin, mostScale, lie = IDENTITY) {
  const matrix = multiply(viewMatrix(view), lie);
  const { left, right, bottom, top } = outlineOf(box, matrix);
  const scale2 = Math.min(
    (size2.width - 2 * margin) / Math.max(1, right - left),
    (size2.height - 2 * margin) / Math.max(1, top - bottom),
    mostScale
  );
  return {
    matrix,
    scale: scale2,
    originX: size2.width / 2 - scale2 * (left + right) / 2,
    originY: size2.height / 2 + scale2 * (top + bottom) / 2
  };
}
function outlineOf(box, matrix) {
  const seen2 = cornersOf(box).map((corner4) => apply(matrix, corner4));
  const low = (axis) => Math.min(...seen2.map((v) => v[axis]));
  const high = (axis) => Math.max(...seen2.map((v) => v[axis]));
  return { left: low(0), right: high(0), bottom: low(1), top: high(1) };
}
function projectedSize(box, view, lie = IDENTITY) {
  const { left, right, bottom, top } = outlineOf(box, multiply(viewMatrix(view), lie));
  return { width: right - left, height: top - bottom };
}
function project(camera, point2) {
  const seen2 = apply(camera.matrix, point2);
  return [camera.originX + camera.scale * seen2[0], camera.originY - camera.scale * seen2[1], seen2[2]];
}

// src/core/decal/faces.ts
var FRAMES = {
  front: { normal: [0, -1, 0], right: [1, 0, 0], up: [0, 0, 1] },
  back: { normal: [0, 1, 0], right: [-1, 0, 0], up: [0, 0, 1] },
  left: { normal: [-1, 0, 0], right: [0, -1, 0], up: [0, 0, 1] },
  right: { normal: [1, 0, 0], right: [0, 1, 0], up: [0, 0, 1] },
  top: { normal: [0, 0, 1], right: [1, 0, 0], up: [0, 1, 0] },
  bottom: { normal: [0, 0, -1], right: [1, 0, 0], up: [0, -1, 0] }
};
var SAME = 1e-3;
var STRAIGHT = 1 - 1e-9;
var LEAST = 3;
var LEAN = 0.15;
var known13 = /* @__PURE__ */ new WeakMap();
function faceOf(shape, name2) {
  let faces = known13.get(shape);
  if (!faces) known13.set(shape, faces = /* @__PURE__ */ new Map());
  if (!faces.has(name2)) faces.set(name2, makeFace(shape, name2));
  return faces.get(name2);
}
function makeFace(shape, name2) {
  const facets = largestPlane(shape.plainMesh, (normal2) => name2 === "slope" ? leans(normal2) : dot(normal2, FRAMES[name2].normal) > STRAIGHT);
  if (facets.length === 0) return void 0;
  const { normal } = facets[0];
  const { right, up } = name2 === "slope" ? leaningFrame(normal) : FRAMES[name2];
  const corners = facets.flatMap((facet) => facet.corners);
  const [left, wide] = reach(corners, right);
  const [low, high] = reach(corners, up);
  const [width, height] = [wide - left, high - low];
  if (width < LEAST || height < LEAST) return void 0;
  const plane = dot(corners[0], normal);
  const middle2 = add(add(scale(right, (left + wide) / 2), scale(up, (low + high) / 2)), scale(normal, plane));
  const flat4 = (corner4) => [dot(subtract(corner4, middle2), right), dot(subtract(corner4, middle2), up)];
  return { name: name2, middle: middle2, right, up, normal, width, height, pieces: facets.map((facet) => facet.corners.map(flat4)) };
}
var leans = (normal) => normal[2] > LEAN && normal[2] < 1 - LEAN * LEAN;
function leaningFrame(normal) {
  const up = normalise(subtract([0, 0, 1], scale(normal, normal[2])));
  return { right: cross(up, normal), up };
}
function reach(corners, way) {
  const along = corners.map((corner4) => dot(corner4, way));
  return [Math.min(...along), Math.max(...along)];
}
function largestPlane(mesh, isWanted) {
  const planes = /* @__PURE__ */ new Map();
  for (const facet of mesh) {
    if (!isWanted(facet.normal)) continue;
    const out = dot(facet.corners[0], facet.normal);
    const key = [...facet.normal, out].map((value) => Math.round(value / SAME)).join();
    const plane = planes.get(key) ?? { facets: [], area: 0, out };
    plane.facets.push(facet);
    plane.area += facetArea(facet);
    planes.set(key, plane);
  }
  let best;
  for (const plane of planes.values()) {
    if (!best || plane.area > best.area + SAME || plane.area > best.area - SAME && plane.out > best.out) best = plane;
  }
  return best?.facets ?? [];
}
function facetArea({ corners, normal }) {
  const right = Math.abs(normal[2]) > 0.9 ? normalise(cross([0, 1, 0], normal)) : normalise(cross([0, 0, 1], normal));
  const up = cross(normal, right);
  return areaOf(corners.map((corner4) => [dot(corner4, right), dot(corner4, up)]));
}

// src/core/decal/patches.ts
var QUARTERS = [
  [1, 0],
  [0, 1],
  [-1, 0],
  [0, -1]
];
function lieOf({ at = [0, 0], turn: turn2 = 0 }, [width, height]) {
  const [c, s] = QUARTERS[turn2 / 90 & 3];
  const [halfWide, halfHigh] = [width / MM_PER_U / 2, height / MM_PER_U / 2];
  return { middle: [at[0] / MM_PER_U, at[1] / MM_PER_U], right: [c * halfWide, s * halfWide], up: [-s * halfHigh, c * halfHigh] };
}
var cornersOfLie = ({ middle: middle2, right, up }) => {
  const at = (r, u) => [middle2[0] + r * right[0] + u * up[0], middle2[1] + r * right[1] + u * up[1]];
  return [at(-1, -1), at(1, -1), at(1, 1), at(-1, 1)];
};
function patchesOf(part2, shape, drawn, isMirrored, decals) {
  return (part2.work ?? []).flatMap((work) => {
    const decal2 = work.decal === void 0 ? void 0 : decals.get(work.decal);
    const face = work.face === void 0 ? void 0 : faceOf(drawn, work.face);
    if (!decal2 || !face) return [];
    return [isMirrored ? mirrored(patchOn(face, work, decal2, true), shape, drawn) : patchOn(face, work, decal2, false)];
  });
}
function patchOn(face, work, decal2, isFlipped) {
  const lie = lieOf(work, decal2.size);
  const corners = cornersOfLie(lie);
  const inSpace = ([right, up]) => add(face.middle, add(scale(face.right, right), scale(face.up, up)));
  const turning = (polygon) => signedAreaOf(polygon) < 0 ? [...polygon].reverse() : polygon;
  const polygons = face.pieces.map((piece) => common(corners, turning(piece))).filter((piece) => Math.abs(signedAreaOf(piece)) > 0);
  const [lowLeft, lowRight, highRight, highLeft] = corners.map(inSpace);
  const [corner4, across, down] = isFlipped ? [highRight, highLeft, lowRight] : [highLeft, highRight, lowLeft];
  return {
    decal: decal2,
    normal: face.normal,
    polygons: polygons.map((polygon) => polygon.map(inSpace)),
    corner: corner4,
    right: subtract(across, corner4),
    down: subtract(down, corner4)
  };
}
function mirrored(patch, shape, drawn) {
  const { reflection } = drawn.mirror;
  const shift2 = subtract(scale(shape.box, 0.5), apply(reflection, scale(drawn.box, 0.5)));
  const place = (at) => add(apply(reflection, at), shift2);
  return {
    decal: patch.decal,
    normal: apply(reflection, patch.normal),
    polygons: patch.polygons.map((polygon) => [...polygon].reverse().map(place)),
    corner: place(patch.corner),
    right: apply(reflection, patch.right),
    down: apply(reflection, patch.down)
  };
}

// src/core/picture/drawn-section.ts
function drawnSection(model2, flattener, sections, sectionId, base2) {
  const plan = sections.find((section2) => section2.id === sectionId);
  if (!plan) throw new RangeError(`no planned section ${sectionId}`);
  const lookup = new MoveLookup(model2, flattener, sections, base2 ?? baseOf(sections, plan));
  const specs = [];
  const ranges = [];
  const nodeRanges = [];
  const nodeTravels = [];
  const lies = [];
  let lie = NO_TURN;
  let parts = 0;
  for (const step2 of plan.steps) {
    if (step2.turn !== void 0) lie = turnFromText(step2.turn) ?? lie;
    lies.push(lie);
    const firstNode = specs.length;
    const firstPart = parts;
    for (const move of step2.moves) {
      for (const spec of lookup.nodes(move)) {
        specs.push(spec);
        nodeTravels.push(typeof move.direction === "string" ? DIRECTION_VECTORS[directionFromText(move.direction)] : move.direction);
        parts += spec.parts.length;
      }
    }
    ranges.push([firstPart, parts]);
    nodeRanges.push([firstNode, specs.length]);
  }
  const placed = specs.flatMap((spec) => spec.parts);
  let holds;
  let nodeHolds;
  return {
    id: sectionId,
    parts: placed,
    partNode: Int32Array.from(specs.flatMap((spec, node) => spec.parts.map(() => node))),
    nodeIds: specs.map((spec) => spec.id),
    nodeJoins: specs.map((spec) => spec.kind !== "part"),
    patches: patchesByPart(model2, placed),
    reaches: lookup.reaches(specs),
    ranges,
    nodeRanges,
    nodeTravels,
    lies,
    // A look at what shows does not ask for them, so they are found when a picture does.
    get holds() {
      holds ??= holdsByStep(specs, nodeRanges);
      return holds;
    },
    get nodeHolds() {
      nodeHolds ??= holdsByStep(
        specs,
        specs.map((_, node) => [node, node + 1])
      );
      return nodeHolds;
    },
    box: placed.length === 0 ? boxAt([0, 0, 0], [10, 10, 4]) : placed.map(partHull).reduce(unite)
  };
}
function patchesByPart(model2, placed) {
  const found2 = /* @__PURE__ */ new Map();
  if (!model2.decals) return found2;
  const decals = new Map(model2.decals.map((decal2) => [decal2.id, decal2]));
  const { shapes } = catalogueOf(model2);
  placed.forEach(({ part: part2, shape, isMirrored }, i) => {
    if (!part2.work) return;
    const patches = patchesOf(part2, shape, shapeOfPart(part2, shapes), isMirrored, decals);
    if (patches.length > 0) found2.set(i, patches);
  });
  return found2;
}
var baseOf = (sections, plan) => {
  let at = plan;
  while (at.derivedFrom !== void 0) at = sections.find((section2) => section2.id === at.derivedFrom);
  return at.id;
};
var MoveLookup = class {
  constructor(model2, flattener, sections, base2) {
    this.model = model2;
    this.flattener = flattener;
    this.sections = sections;
    this.base = base2;
    this.own = new Map(flattener.own(sectionById(model2, base2)).map((placed) => [placed.part.id, placed]));
  }
  model;
  flattener;
  sections;
  base;
  own;
  reaches(specs) {
    const found2 = /* @__PURE__ */ new Map();
    const section2 = sectionById(this.model, this.base);
    const jointed = new Map(copiesOf(section2).flatMap((copy2) => copy2.joint ? [[copy2.id, copy2]] : []));
    specs.forEach(({ id: id2, kind }, node) => {
      const copy2 = kind === "copy" ? jointed.get(id2) : void 0;
      const reach2 = copy2 && jointReach(section2, copy2, catalogueOf(this.model));
      if (reach2) found2.set(node, reach2);
    });
    return found2;
  }
  nodes(move) {
    if ("parts" in move) {
      return move.parts.flatMap((id2) => {
        const placed = this.own.get(id2);
        return placed ? [{ id: id2, kind: "part", source: placed.part.shape, parts: [placed] }] : [];
      });
    }
    if ("copy" in move) {
      const base2 = sectionById(this.model, this.base);
      const copy2 = copiesOf(base2).find((candidate) => candidate.id === move.copy);
      return copy2 ? [{ id: copy2.id, kind: "copy", source: copy2.section, parts: this.flattener.copy(base2, copy2) }] : [];
    }
    const derived = this.sections.find((section2) => section2.id === move.section);
    const inner = derived?.steps.flatMap((step2) => step2.moves.flatMap((deeper) => this.nodes(deeper))) ?? [];
    return [{ id: move.section, kind: "derived", source: move.section, parts: inner.flatMap((spec) => spec.parts) }];
  }
};
function holdsByStep(specs, nodeRanges) {
  const stepOf = new Int32Array(specs.length);
  nodeRanges.forEach(([from, to], step2) => stepOf.fill(step2, from, to));
  const holds = nodeRanges.map(() => []);
  const joints = findJoints(buildScene(specs));
  joints.list.forEach((joint, i) => {
    const [a, b] = [stepOf[joint.a], stepOf[joint.b]];
    if (a !== b) holds[Math.max(a, b)].push(...placesOf(joints, i));
  });
  return holds;
}

// src/core/picture/stencil.ts
var LIGHT = normalise([-0.5, 0.75, -0.55]);
var TONES = [255, 222, 186];
function toneOf(normal) {
  const light = dot(normal, LIGHT);
  return light > 0.62 ? 0 : light > 0.2 ? 1 : 2;
}
var cutStencil = (shape, attitude, camera, isPlain = false) => cutFacets(isPlain ? shape.plainMesh : shape.mesh, attitude, camera);
function cutFacets(facets, attitude, camera) {
  const matrix = multiply(camera.matrix, attitude);
  const flips2 = determinant(attitude) < 0;
  const seen2 = [];
  for (const facet of facets) {
    const normal = apply(matrix, facet.normal);
    if (normal[2] >= -1e-6) continue;
    const corners = new Float64Array(facet.corners.length * 2);
    let first;
    facet.corners.forEach((corner4, i) => {
      const point2 = apply(matrix, corner4);
      first ??= point2;
      const at = flips2 ? facet.corners.length - 1 - i : i;
      corners[at * 2] = point2[0] * camera.scale;
      corners[at * 2 + 1] = -point2[1] * camera.scale;
    });
    const slopeX = -normal[0] / normal[2] / camera.scale;
    const slopeY = normal[1] / normal[2] / camera.scale;
    const base2 = first[2] + (normal[0] * first[0] + normal[1] * first[1]) / normal[2];
    seen2.push({ corners, slopeX, slopeY, base: base2, tone: toneOf(normal), surface: facet.surface });
  }
  return seen2;
}
var StencilCutter = class {
  constructor(camera, isPlain = false) {
    this.camera = camera;
    this.isPlain = isPlain;
  }
  camera;
  isPlain;
  known = /* @__PURE__ */ new Map();
  bounds = /* @__PURE__ */ new Map();
  of(shape, attitude) {
    const key = `${shape.id} ${textOf(attitude)}`;
    let stencil = this.known.get(key);
    if (!stencil) this.known.set(key, stencil = cutStencil(shape, attitude, this.camera, this.isPlain));
    return stencil;
  }
  /** One facet as the camera sees it; nothing where it faces away. */
  one(facet, attitude) {
    return cutFacets([facet], attitude, this.camera)[0];
  }
  /** Left, top, right, bottom, px, and nearest and farthest depth, u, of a stencil seen at `origin`. */
  reachOf(stencil, [x, y, depth]) {
    let bounds = this.bounds.get(stencil);
    if (!bounds) this.bounds.set(stencil, bounds = boundsOf(stencil));
    return [bounds[0] + x, bounds[1] + y, bounds[2] + x, bounds[3] + y, bounds[4] + depth, bounds[5] + depth];
  }
};
function boundsOf(stencil) {
  const bounds = [Infinity, Infinity, -Infinity, -Infinity, Infinity, -Infinity];
  for (const { corners, slopeX, slopeY, base: base2 } of stencil) {
    for (let i = 0; i < corners.length; i += 2) {
      const [x, y] = [corners[i], corners[i + 1]];
      const depth = base2 + slopeX * x + slopeY * y;
      bounds[0] = Math.min(bounds[0], x);
      bounds[1] = Math.min(bounds[1], y);
      bounds[2] = Math.max(bounds[2], x);
      bounds[3] = Math.max(bounds[3], y);
      bounds[4] = Math.min(bounds[4], depth);
      bounds[5] = Math.max(bounds[5], depth);
    }
  }
  return bounds;
}
var texts = /* @__PURE__ */ new WeakMap();
function textOf(matrix) {
  let text = texts.get(matrix);
  if (text === void 0) texts.set(matrix, text = matrix.join());
  return text;
}

// src/core/picture/decal-paint.ts
var FIRST_DECAL = 6e4;
var NEARER = 0.02;
function seePatch(patch, number2, pose, camera) {
  const facets = patch.polygons.map((corners) => ({ corners, normal: patch.normal, surface: FIRST_DECAL + number2 }));
  const stencil = cutFacets(facets, pose.matrix, camera).map((facet) => ({ ...facet, base: facet.base - NEARER }));
  if (stencil.length === 0) return void 0;
  const turned2 = multiply(camera.matrix, pose.matrix);
  const side = (v) => {
    const seen2 = apply(turned2, v);
    return [seen2[0] * camera.scale, -seen2[1] * camera.scale];
  };
  const [x, y] = project(camera, posed(pose, patch.corner));
  return { patch, stencil, corner: [x, y], right: side(patch.right), down: side(patch.down) };
}
var DecalPaint = class {
  finders = /* @__PURE__ */ new Map();
  get isEmpty() {
    return this.finders.size === 0;
  }
  add(part2, number2, { patch, corner: corner4, right, down }) {
    const area = right[0] * down[1] - right[1] * down[0];
    if (Math.abs(area) < 1e-9) return;
    const s = [down[1] / area, -down[0] / area];
    const t = [-right[1] / area, right[0] / area];
    this.finders.set(keyOf3(part2, number2), {
      image: picturePixels(patch.decal.picture),
      s: [...s, -(s[0] * corner4[0] + s[1] * corner4[1])],
      t: [...t, -(t[0] * corner4[0] + t[1] * corner4[1])]
    });
  }
  /** The colour that a dot shows of a picture over what is under it. Both packed, 0xrrggbb. */
  over(part2, surface, x, y, under, paperShare2) {
    const finder = this.finders.get(keyOf3(part2, surface - FIRST_DECAL));
    if (!finder) return under;
    const { image, s, t } = finder;
    const column = clamp(Math.floor((s[0] * x + s[1] * y + s[2]) * image.width), image.width);
    const row = clamp(Math.floor((t[0] * x + t[1] * y + t[2]) * image.height), image.height);
    const at = (row * image.width + column) * 4;
    const alpha = image.data[at + 3] / 255;
    const blend3 = (i, shift2) => {
      const washed = image.data[at + i] * (1 - paperShare2) + 255 * paperShare2;
      return Math.round(washed * alpha + (under >> shift2 & 255) * (1 - alpha)) << shift2;
    };
    return blend3(0, 16) | blend3(1, 8) | blend3(2, 0);
  }
};
var MOST_ON_PART = 64;
var keyOf3 = (part2, number2) => part2 * MOST_ON_PART + number2 % MOST_ON_PART;
var clamp = (value, count) => Math.max(0, Math.min(count - 1, value));

// src/core/picture/layers.ts
var NOTHING = -1;
var EMPTY_WINDOW = { left: Infinity, right: -1, top: Infinity, bottom: -1 };
var uniteWindows = (a, b) => ({
  left: Math.min(a.left, b.left),
  right: Math.max(a.right, b.right),
  top: Math.min(a.top, b.top),
  bottom: Math.max(a.bottom, b.bottom)
});
var Layers = class {
  /** @param shown when given, kept up to date: of each part, the dots that show it */
  constructor(size2, shown) {
    this.size = size2;
    this.shown = shown;
    const dots = size2.width * size2.height;
    this.depth = new Float32Array(dots).fill(Infinity);
    this.part = new Int32Array(dots).fill(NOTHING);
    this.surface = new Uint16Array(dots);
    this.tone = new Uint8Array(dots);
    this.left = new Float64Array(size2.height);
    this.right = new Float64Array(size2.height);
  }
  size;
  shown;
  depth;
  part;
  surface;
  tone;
  /** The rows and columns drawn into since `startWindow`. */
  used = { ...EMPTY_WINDOW };
  left;
  right;
  /** Begins to note where is drawn. @returns the window noted so far; it is still written to until the next start */
  startWindow() {
    this.used = { ...EMPTY_WINDOW };
    return this.used;
  }
  /** Draws a part whose origin is seen at (x, y) px and `depth` u. */
  draw(stencil, part2, x, y, depth) {
    for (const facet of stencil) this.fill(facet, part2, x, y, depth);
  }
  fill(facet, part2, x, y, depth) {
    const span = this.outline(facet.corners, x, y);
    if (!span) return;
    const { width } = this.size;
    const { left, right, depth: depths, part: parts, surface, tone, used, shown } = this;
    if (span.first < used.top) used.top = span.first;
    if (span.last > used.bottom) used.bottom = span.last;
    for (let row = span.first; row <= span.last; row++) {
      const from = Math.max(0, Math.ceil(left[row] - 0.5));
      const to = Math.min(width - 1, Math.ceil(right[row] - 0.5) - 1);
      if (from > to) continue;
      if (from < used.left) used.left = from;
      if (to > used.right) used.right = to;
      let at = depth + facet.base + facet.slopeX * (from + 0.5 - x) + facet.slopeY * (row + 0.5 - y);
      const line2 = row * width;
      for (let dot3 = line2 + from; dot3 <= line2 + to; dot3++, at += facet.slopeX) {
        if (at < depths[dot3] - 1e-3) {
          depths[dot3] = at;
          if (shown) {
            const before = parts[dot3];
            if (before >= 0) shown[before]--;
            shown[part2]++;
          }
          parts[dot3] = part2;
          surface[dot3] = facet.surface;
          tone[dot3] = facet.tone;
        }
      }
    }
  }
  /** Where each row of dots enters and leaves a convex polygon, by its middle line. */
  outline(corners, x, y) {
    const { left, right } = this;
    let low = Infinity;
    let high = -Infinity;
    for (let i = 1; i < corners.length; i += 2) {
      low = Math.min(low, corners[i]);
      high = Math.max(high, corners[i]);
    }
    const first = Math.max(0, Math.ceil(low + y - 0.5));
    const last = Math.min(this.size.height - 1, Math.ceil(high + y - 0.5) - 1);
    if (first > last) return void 0;
    for (let row = first; row <= last; row++) {
      left[row] = Infinity;
      right[row] = -Infinity;
    }
    const count = corners.length / 2;
    for (let i = 0; i < count; i++) {
      const j = (i + 1) % count;
      this.edge(corners[i * 2] + x, corners[i * 2 + 1] + y, corners[j * 2] + x, corners[j * 2 + 1] + y, first, last);
    }
    return { first, last };
  }
  edge(x0, y0, x1, y1, first, last) {
    if (y0 > y1) {
      const [tx, ty] = [x0, y0];
      x0 = x1;
      y0 = y1;
      x1 = tx;
      y1 = ty;
    }
    const from = Math.max(first, Math.ceil(y0 - 0.5));
    const to = Math.min(last, Math.ceil(y1 - 0.5) - 1);
    if (from > to) return;
    const slope2 = (x1 - x0) / (y1 - y0);
    let at = x0 + (from + 0.5 - y0) * slope2;
    const { left, right } = this;
    for (let row = from; row <= to; row++, at += slope2) {
      if (at < left[row]) left[row] = at;
      if (at > right[row]) right[row] = at;
    }
  }
};

// src/core/picture/easel.ts
var NO_LIFT = [0, 0, 0];
var Easel = class {
  /** @param size in dots of the layers */
  constructor(camera, size2) {
    this.camera = camera;
    this.layers = new Layers(size2);
    this.cutter = new StencilCutter(camera);
  }
  camera;
  layers;
  decals = new DecalPaint();
  cutter;
  /** Draws a part of a section, lifted off its place by so much, u. */
  draw(section2, part2, lift = NO_LIFT) {
    const placed = section2.parts[part2];
    const [x, y, depth] = this.originOf(placed, lift);
    this.layers.draw(this.cutter.of(placed.shape, placed.pose.matrix), part2, x, y, depth);
    section2.patches.get(part2)?.forEach((patch, number2) => {
      const seen2 = seePatch(patch, number2, { matrix: placed.pose.matrix, at: add(placed.pose.at, lift) }, this.camera);
      if (!seen2) return;
      this.decals.add(part2, number2, seen2);
      this.layers.draw(seen2.stencil, part2, x, y, depth);
    });
  }
  /** Where the origin of a part is seen: px, px, u. */
  originOf({ pose }, lift = NO_LIFT) {
    return project(this.camera, add(pose.at, lift));
  }
};

// src/core/picture/paint.ts
var WHITE2 = [255, 255, 255];
var INK = [31, 33, 36];
function rgbOf(hex3) {
  const value = Number.parseInt(hex3.slice(1), 16);
  return [value >> 16, value >> 8 & 255, value & 255];
}
var LIGHT_LINE = [150, 154, 160];
function lookOf(colour2) {
  const rgb = rgbOf(colour2.hex);
  const luminance = 0.2126 * rgb[0] + 0.7152 * rgb[1] + 0.0722 * rgb[2];
  return { colour: rgb, line: luminance < 62 ? LIGHT_LINE : INK, isClear: colour2.finish === "clear" };
}

// src/core/picture/ink.ts
var NONE3 = 0;
var CREASE = 1;
var OUTLINE = 2;
var HEAVY = 3;
var DEPTH_STEP = 3;
var Inker = class {
  constructor(layers, finer, paper, decals) {
    this.layers = layers;
    this.finer = finer;
    this.paper = paper;
    this.decals = decals;
    const { width, height } = layers.size;
    this.edges = new Uint8Array(width * height);
    const data = new Uint8Array(width / finer * (height / finer) * 3);
    for (let at = 0; at < data.length; at++) data[at] = paper[at % 3];
    this.image = { width: width / finer, height: height / finer, data };
  }
  layers;
  finer;
  paper;
  decals;
  edges;
  image;
  /** @param changed the dots that may look different from the last picture. @returns a picture of its own, to draw on */
  ink(changed, options) {
    const { layers, finer, paper } = this;
    if (changed.right >= changed.left) {
      const reach2 = finer * 2 + 2;
      const inner = widened(changed, reach2, layers.size);
      const outer = widened(changed, reach2 * 2, layers.size);
      for (let y = outer.top; y <= outer.bottom; y++) {
        const line2 = y * layers.size.width;
        this.edges.fill(NONE3, line2 + outer.left, line2 + outer.right + 1);
      }
      findEdges(layers, this.edges, outer, options);
      thicken(this.edges, layers.size.width, outer, finer, options.hasFineLines);
      average({ layers, edges: this.edges, image: this.image, finer, palette: mixPalette(options), paper, texel: this.texelOf(options) }, inner);
    }
    return { ...this.image, data: this.image.data.slice() };
  }
  /** The colour of a dot that shows a picture on a piece; nothing where no piece has one. */
  texelOf({ newFrom, newTo, wash }) {
    const { decals, layers } = this;
    if (!decals || decals.isEmpty) return void 0;
    return (dot3, x, y, under) => {
      const part2 = layers.part[dot3];
      return decals.over(part2, layers.surface[dot3], x + 0.5, y + 0.5, under, part2 >= newFrom && part2 < newTo ? 0 : wash);
    };
  }
};
var widened = (window2, by, size2) => ({
  left: Math.max(0, window2.left - by),
  right: Math.min(size2.width - 1, window2.right + by),
  top: Math.max(0, window2.top - by),
  bottom: Math.min(size2.height - 1, window2.bottom + by)
});
function findEdges(layers, edges, window2, { newFrom, newTo }) {
  const { width, height } = layers.size;
  const { part: part2, surface, depth } = layers;
  const nothing = NOTHING;
  const between = (a, b) => {
    const partA = part2[a];
    const partB = part2[b];
    const isNewA = partA >= newFrom && partA < newTo;
    const isNewB = partB >= newFrom && partB < newTo;
    const kind = isNewA !== isNewB ? HEAVY : OUTLINE;
    const nearer = depth[a] <= depth[b] ? a : b;
    if (edges[nearer] < kind) edges[nearer] = kind;
  };
  const bottom = Math.min(window2.bottom, height - 2);
  const right = Math.min(window2.right, width - 2);
  for (let y = window2.top; y <= bottom; y++) {
    const end = y * width + right;
    for (let a = y * width + window2.left; a <= end; a++) {
      const mine = part2[a];
      const next = part2[a + 1];
      const below = part2[a + width];
      if (mine !== next) between(a, a + 1);
      if (mine !== below) between(a, a + width);
      if (mine === nothing) continue;
      if (mine === next && (surface[a] !== surface[a + 1] || Math.abs(depth[a] - depth[a + 1]) > DEPTH_STEP)) {
        if (edges[a + 1] === NONE3) edges[a + 1] = CREASE;
      }
      if (mine === below && (surface[a] !== surface[a + width] || Math.abs(depth[a] - depth[a + width]) > DEPTH_STEP)) {
        if (edges[a + width] === NONE3) edges[a + width] = CREASE;
      }
    }
  }
}
function thicken(edges, width, window2, finer, hasFineLines2) {
  const heavy = [];
  for (let y = window2.bottom; y >= window2.top; y--) {
    for (let x = window2.right; x >= window2.left; x--) {
      const dot3 = y * width + x;
      const kind = edges[dot3];
      if (kind < OUTLINE) continue;
      if (kind === HEAVY) heavy.push(dot3);
      else if (!hasFineLines2) {
        if (x < window2.right && edges[dot3 + 1] < OUTLINE) edges[dot3 + 1] = OUTLINE;
        if (y < window2.bottom && edges[dot3 + width] < OUTLINE) edges[dot3 + width] = OUTLINE;
      }
    }
  }
  const reach2 = finer;
  for (const dot3 of heavy) {
    const x = dot3 % width;
    const y = (dot3 - x) / width;
    for (let dy = -reach2; dy <= reach2; dy++) {
      if (y + dy < window2.top || y + dy > window2.bottom) continue;
      for (let dx = -reach2; dx <= reach2; dx++) {
        if (dx * dx + dy * dy > reach2 * reach2 + 1 || x + dx < window2.left || x + dx > window2.right) continue;
        edges[dot3 + dy * width + dx] = HEAVY;
      }
    }
  }
}
var SLOTS2 = 8;
var GLINT = TONES.length;
var OUTLINE_SLOT = 6;
var CREASE_SLOT = 7;
function average({ layers, edges, image, finer, palette, paper, texel }, window2) {
  const fullWidth = layers.size.width;
  const { width, data } = image;
  const dots = finer * finer;
  const paperColour = pack(paper);
  const line2 = pack(INK);
  const nothing = NOTHING;
  const { part: part2, tone, surface } = layers;
  const { colours, isClear } = palette;
  const first = Math.floor(window2.left / finer);
  const last = Math.floor(window2.right / finer);
  for (let y = Math.floor(window2.top / finer); y <= Math.floor(window2.bottom / finer); y++) {
    for (let x = first, at = (y * width + first) * 3; x <= last; x++, at += 3) {
      let red = 0;
      let green = 0;
      let blue = 0;
      for (let sy = 0; sy < finer; sy++) {
        let dot3 = (y * finer + sy) * fullWidth + x * finer;
        for (let sx = 0; sx < finer; sx++, dot3++) {
          const id2 = part2[dot3];
          const edge = edges[dot3];
          let colour2;
          if (edge === HEAVY) colour2 = line2;
          else if (id2 === nothing) colour2 = paperColour;
          else if (edge !== NONE3) colour2 = colours[id2 * SLOTS2 + (edge === OUTLINE ? OUTLINE_SLOT : CREASE_SLOT)];
          else {
            const glint = isClear[id2] === 1 && ((x + y) * finer + sx + sy) % 14 < 3 ? GLINT : 0;
            colour2 = colours[id2 * SLOTS2 + glint + tone[dot3]];
            if (texel && surface[dot3] >= FIRST_DECAL) colour2 = texel(dot3, x * finer + sx, y * finer + sy, colour2);
          }
          red += colour2 >> 16;
          green += colour2 >> 8 & 255;
          blue += colour2 & 255;
        }
      }
      data[at] = red / dots;
      data[at + 1] = green / dots;
      data[at + 2] = blue / dots;
    }
  }
}
function mixPalette(options) {
  const { looks: looks2, newFrom, newTo } = options;
  const colours = new Int32Array(looks2.length * SLOTS2);
  const isClear = new Uint8Array(looks2.length);
  const known21 = /* @__PURE__ */ new Map();
  looks2.forEach((look, part2) => {
    const isNew = part2 >= newFrom && part2 < newTo;
    const wash = isNew ? 0 : options.wash;
    let pair = known21.get(look);
    if (!pair) known21.set(look, pair = [void 0, void 0]);
    const slots = pair[isNew ? 1 : 0] ??= slotsOf(look, wash);
    colours.set(slots, part2 * SLOTS2);
    isClear[part2] = look.isClear ? 1 : 0;
  });
  return { colours, isClear };
}
var mixedBefore = /* @__PURE__ */ new WeakMap();
function mixedSlots(look, paperShare2) {
  let known21 = mixedBefore.get(look);
  if (!known21) mixedBefore.set(look, known21 = /* @__PURE__ */ new Map());
  let slots = known21.get(paperShare2);
  if (slots) return slots;
  const washed = (colour2) => mix(colour2, WHITE2, paperShare2);
  const toned = TONES.map((tone) => scaled(look.colour, tone / 255));
  const lines = [look.line, mix(look.line, look.colour, 0.45)].map(washed);
  const lit = toned.map((colour2) => washed(mix(colour2, WHITE2, 0.6)));
  slots = { tones: toned.map(washed), lit, lines, lineNames: lines.map((line2) => line2.join()) };
  known21.set(paperShare2, slots);
  return slots;
}
function slotsOf(look, paperShare2) {
  const { tones, lit, lines } = mixedSlots(look, paperShare2);
  return [...tones, ...lit, ...lines].map(pack);
}
var scaled = (colour2, factor) => [colour2[0] * factor, colour2[1] * factor, colour2[2] * factor];
var mix = (a, b, share2) => [
  a[0] + (b[0] - a[0]) * share2,
  a[1] + (b[1] - a[1]) * share2,
  a[2] + (b[2] - a[2]) * share2
];
var pack = (colour2) => Math.round(colour2[0]) << 16 | Math.round(colour2[1]) << 8 | Math.round(colour2[2]);

// src/core/picture/lifts.ts
var LEAST_GAP = { px: 64, u: 20 };
var MOST_GAP = 70;
var MOST_GHOSTS = 6;
function comesFromAbove(travel, lie) {
  return apply(TURNS[lie], travel)[2] < -0.999;
}
function liftsOf(section2, step2, scalePx) {
  const lifts = /* @__PURE__ */ new Map();
  const [first, last] = section2.nodeRanges[step2];
  if (section2.ranges[step2][0] === 0) return lifts;
  for (let node = first; node < last; node++) {
    if (!section2.nodeJoins[node] || section2.nodeHolds[node].length === 0) continue;
    const travel = section2.nodeTravels[node];
    const parts = partsOfNode(section2, step2, node);
    if (parts.length > 0) lifts.set(node, scale(travel, -gapFor(hullOf(section2, parts), travel, scalePx)));
  }
  return lifts;
}
var gapFor = (box, travel, scalePx) => Math.max(LEAST_GAP.u, LEAST_GAP.px / scalePx, Math.min(extentAlong(box, travel), MOST_GAP));
function ghostsOf(section2, step2, scalePx) {
  const [first, last] = section2.nodeRanges[step2];
  const groups = /* @__PURE__ */ new Map();
  if (section2.ranges[step2][0] === 0) return [];
  for (let node = first; node < last; node++) {
    const travel = section2.nodeTravels[node];
    if (section2.nodeJoins[node] || comesFromAbove(travel, section2.lies[step2])) continue;
    const group = groups.get(travel.join()) ?? { parts: [], travel };
    group.parts.push(...partsOfNode(section2, step2, node));
    groups.set(travel.join(), group);
  }
  return [...groups.values()].flatMap(({ parts, travel }) => {
    if (parts.length === 0 || parts.length > MOST_GHOSTS) return [];
    const box = hullOf(section2, parts);
    return [{ parts, travel, lift: scale(travel, -(extentAlong(box, travel) + Math.max(LEAST_GAP.u / 2, LEAST_GAP.px / scalePx))) }];
  });
}
function partsOfNode(section2, step2, node) {
  const [from, to] = section2.ranges[step2];
  const parts = [];
  for (let part2 = from; part2 < to; part2++) if (section2.partNode[part2] === node) parts.push(part2);
  return parts;
}
var hullOf = (section2, parts) => parts.map((part2) => partHull(section2.parts[part2])).reduce(unite);
function extentAlong(box, travel) {
  const size2 = sizeOf(box);
  return dot(size2, [Math.abs(travel[0]), Math.abs(travel[1]), Math.abs(travel[2])]);
}

// src/core/picture/marks.ts
var ARROW = 90;
var ARROW_GAP = 3;
var MOST_RINGS = 6;
function seen({ camera, finer }, place) {
  const [x, y] = project(camera, place);
  return [x / finer, y / finer];
}
var scaleOf = ({ camera, finer }) => camera.scale / finer;
function ringsAt(sight, holds) {
  const radius = Math.min(6, Math.max(2.4, scaleOf(sight) * 1.6));
  return outermost(holds.map((place) => seen(sight, place))).map((at) => ({ kind: "ring", at, radius }));
}
function outermost(places) {
  if (places.length <= MOST_RINGS) return places;
  const keys = [([x]) => x, ([x]) => -x, ([, y]) => y, ([, y]) => -y];
  return [...new Set(keys.map((key) => places.reduce((a, b) => key(b) < key(a) ? b : a)))];
}
function wayIn2(sight, box, travel) {
  const end = add(middle(box), scale(travel, -extentAlong(box, travel) / 2 - ARROW_GAP));
  const tail = add(end, scale(travel, -ARROW / scaleOf(sight)));
  return { kind: "path", points: [seen(sight, tail), seen(sight, end)], heads: "end" };
}
function wayHome(sight, box, lift) {
  const travel = normalise(scale(lift, -1));
  const end = add(middle(box), scale(travel, extentAlong(box, travel) / 2));
  const from = add(add(end, lift), scale(travel, ARROW_GAP));
  return { kind: "path", points: [seen(sight, from), seen(sight, add(end, scale(travel, -ARROW_GAP / 2)))], heads: "end" };
}
var ARC = { least: 44, most: 70 };
var MOST_ARC = 60;
var ARC_STEP = 6;
function reachMarks(sight, reach2, box, lift) {
  const marks = [];
  const at = add(reach2.at, lift);
  const arm2 = subtract(add(middle(box), lift), at);
  for (const { axis, from, to } of reach2.turns) {
    const across = subtract(arm2, scale(axis, dot(arm2, axis)));
    if (length(across) < 1) continue;
    const beyond = length(across) + extentAlong(box, normalise(across)) / 2 + ARROW_GAP;
    const radius = Math.max(ARC.least / scaleOf(sight), Math.min(ARC.most, beyond));
    const points = [];
    const [low, high] = [Math.max(-MOST_ARC, from), Math.min(MOST_ARC, to)];
    const steps2 = Math.max(2, Math.ceil((high - low) / ARC_STEP));
    for (let i = 0; i <= steps2; i++) {
      const turned2 = apply(turnAbout(axis, low + (high - low) * i / steps2), scale(normalise(across), radius));
      points.push(seen(sight, add(at, turned2)));
    }
    marks.push({ kind: "path", points, heads: "both" });
  }
  const { slide } = reach2;
  if (slide && slide.to - slide.from > 1) {
    const ends = [slide.from, slide.to].map((far) => seen(sight, add(at, scale(slide.way, far))));
    marks.push({ kind: "path", points: ends, heads: "both" });
  }
  return marks;
}
function keptInside(mark, { width, height }, edge) {
  if (mark.kind !== "path") return mark;
  const isIn = ([x, y]) => x > edge && y > edge && x < width - edge && y < height - edge;
  const { points } = mark;
  let from = points.length >> 1;
  let to = from;
  while (from > 0 && isIn(points[from - 1])) from--;
  while (to + 1 < points.length && isIn(points[to + 1])) to++;
  return { ...mark, points: points.slice(from, to + 1) };
}

// src/core/picture/pick.ts
function pickAt(easel, section2, x, y) {
  const { layers, camera } = easel;
  const { width, height } = layers.size;
  if (x < 0 || y < 0 || x >= width || y >= height) return void 0;
  const dot3 = Math.floor(y) * width + Math.floor(x);
  const part2 = layers.part[dot3];
  if (part2 === NOTHING) return void 0;
  const placed = section2.parts[part2];
  const [px, py] = [Math.floor(x) + 0.5, Math.floor(y) + 0.5];
  const depth = layers.depth[dot3];
  const seen2 = [(px - camera.originX) / camera.scale, (camera.originY - py) / camera.scale, depth];
  const normal = normalAt(easel, section2, part2, layers.surface[dot3], px, py, depth);
  return normal && { part: placed.path, at: apply(transpose(camera.matrix), seen2), normal };
}
function normalAt(easel, section2, part2, surface, x, y, depth) {
  const { shape, pose } = section2.parts[part2];
  if (surface >= FIRST_DECAL) {
    const patch = section2.patches.get(part2)?.[surface - FIRST_DECAL];
    return patch && apply(pose.matrix, patch.normal);
  }
  const [ox, oy, od] = easel.originOf(section2.parts[part2]);
  let best;
  for (const facet of shape.mesh) {
    if (facet.surface !== surface) continue;
    const stencil = easel.cutter.one(facet, pose.matrix);
    if (!stencil) continue;
    const far = Math.abs(od + stencil.base + stencil.slopeX * (x - ox) + stencil.slopeY * (y - oy) - depth);
    if (!best || far < best.far) best = { far, normal: apply(pose.matrix, facet.normal) };
  }
  return best?.normal;
}

// src/core/picture/plate.ts
var GHOST = { opacity: 0.9, paper: 0.55, margin: 3 };
var LEAST_INSIDE = 0.7;
function ghostPlate(section2, ghost, looks2, sight, size2) {
  const whole = windowOf(sight, ghost.parts.map((part2) => shifted(partHull(section2.parts[part2]), ghost.lift)).reduce(unite));
  const left = Math.max(0, Math.floor(whole.left) - GHOST.margin);
  const top = Math.max(0, Math.floor(whole.top) - GHOST.margin);
  const right = Math.min(size2.width, Math.ceil(whole.right) + GHOST.margin);
  const bottom = Math.min(size2.height, Math.ceil(whole.bottom) + GHOST.margin);
  const inside = (Math.min(whole.right, right) - Math.max(whole.left, left)) * (Math.min(whole.bottom, bottom) - Math.max(whole.top, top));
  const all2 = (whole.right - whole.left) * (whole.bottom - whole.top);
  if (right <= left || bottom <= top || inside < all2 * LEAST_INSIDE) return void 0;
  const { finer, camera } = sight;
  const own = { width: right - left, height: bottom - top };
  const moved = { ...camera, originX: camera.originX - left * finer, originY: camera.originY - top * finer };
  const easel = new Easel(moved, { width: own.width * finer, height: own.height * finer });
  for (const part2 of ghost.parts) easel.draw(section2, part2, ghost.lift);
  const look = { looks: looks2, newFrom: 0, newTo: 0, wash: GHOST.paper, hasFineLines: false };
  const shown = ghost.parts.map((part2) => ({ part: part2, lift: ghost.lift }));
  return { easel, size: own, finer, shown, look, marks: [], left, top, isFramed: false, opacity: GHOST.opacity };
}
function windowOf(sight, box) {
  const places = cornersOf(box).map((corner4) => seen(sight, corner4));
  const [xs, ys] = [places.map(([x]) => x), places.map(([, y]) => y)];
  return { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) };
}
var shifted = ({ min, max }, by) => ({ min: add(min, by), max: add(max, by) });
var SMALL = 0.075;
var LEAST_PARTS = 24;
var WIDE = 0.24;
var HIGH = 0.26;
var MARGIN = 14;
var AROUND = 14;
var IN_SIGHT = 60;
function needsInset({ section: section2, step: step2, window: window2, size: size2, finer }) {
  const [from, to] = section2.ranges[step2];
  if (section2.parts.length < LEAST_PARTS || from === 0 || from === to || window2.right < window2.left) return false;
  const most = SMALL * size2.width * finer;
  return window2.right - window2.left < most && window2.bottom - window2.top < most;
}
function insetPlate(options) {
  const { section: section2, look, step: step2, view, lie, window: window2, finer } = options;
  const [from, to] = section2.ranges[step2];
  const size2 = { width: Math.round(options.size.width * WIDE), height: Math.round(options.size.height * HIGH) };
  const full = { width: size2.width * finer, height: size2.height * finer };
  const box = hullOf(
    section2,
    Array.from({ length: to - from }, (_, i) => from + i)
  );
  const easel = new Easel(fitCamera(widened2(box, AROUND), view, full, 4 * finer, 14 * finer, lie), full);
  const sight = widened2(box, IN_SIGHT);
  const shown = [];
  for (let part2 = 0; part2 < to; part2++) {
    if (part2 < from && !meets(partHull(section2.parts[part2]), sight)) continue;
    easel.draw(section2, part2);
    shown.push({ part: part2 });
  }
  const middle2 = [(window2.left + window2.right) / (2 * finer), (window2.top + window2.bottom) / (2 * finer)];
  const left = middle2[0] < options.size.width / 2 ? options.size.width - size2.width - MARGIN : MARGIN;
  const top = middle2[1] < options.size.height / 2 ? options.size.height - size2.height - MARGIN : MARGIN;
  const corner4 = [left + (left > middle2[0] ? 0 : size2.width), top + (top > middle2[1] ? 0 : size2.height)];
  const marks = ringsAt({ camera: easel.camera, finer }, section2.holds[step2]);
  const own = { ...look, hasFineLines: false };
  return { easel, size: size2, finer, shown, look: own, marks, left, top, isFramed: true, opacity: 1, leader: [middle2, corner4] };
}
var widened2 = ({ min, max }, by) => ({ min: add(min, [-by, -by, -by]), max: add(max, [by, by, by]) });
var meets = (a, b) => [0, 1, 2].every((i) => a.min[i] < b.max[i] && b.min[i] < a.max[i]);
function inkPlate({ easel, finer, look }) {
  const { width, height } = easel.layers.size;
  return new Inker(easel.layers, finer, WHITE2, easel.decals).ink({ left: 0, right: width - 1, top: 0, bottom: height - 1 }, look);
}
function coverOf({ easel, size: size2, finer }) {
  const cover2 = new Float32Array(size2.width * size2.height);
  const { part: part2 } = easel.layers;
  const wide = size2.width * finer;
  for (let dot3 = 0; dot3 < part2.length; dot3++) {
    if (part2[dot3] === NOTHING) continue;
    const x = dot3 % wide;
    cover2[Math.floor((dot3 - x) / wide / finer) * size2.width + Math.floor(x / finer)] += 1 / (finer * finer);
  }
  return cover2;
}

// src/core/picture/arrow.ts
var INK2 = [28, 30, 33];
var PAPER = [255, 255, 255];
var ARROW_SHAPE = { shaft: 2, head: 8, headLength: 15, halo: 2.2 };
var { shaft: SHAFT, head: HEAD2, headLength: HEAD_LENGTH, halo: HALO } = ARROW_SHAPE;
function arrowLines(points, heads) {
  if (lengthOf(points) < HEAD_LENGTH * (heads === "both" ? 2 : 1)) return void 0;
  const end = cutEnd(points);
  if (heads === "end") return { shaft: end.rest, heads: [end.head] };
  const start = cutEnd([...end.rest].reverse());
  return { shaft: start.rest, heads: [end.head, start.head] };
}
var lengthOf = (points) => points.reduce((sum, [x, y], i) => i === 0 ? 0 : sum + Math.hypot(x - points[i - 1][0], y - points[i - 1][1]), 0);
function cutEnd(points) {
  const rest2 = [...points];
  const tip = rest2[rest2.length - 1];
  for (; ; ) {
    const last = rest2.pop();
    const before = rest2[rest2.length - 1];
    const far = Math.hypot(before[0] - tip[0], before[1] - tip[1]);
    if (far < HEAD_LENGTH && rest2.length > 1) continue;
    const near = Math.hypot(last[0] - tip[0], last[1] - tip[1]);
    const share2 = far === near ? 1 : Math.min(1, (HEAD_LENGTH - near) / (far - near));
    const neck = [last[0] + (before[0] - last[0]) * share2, last[1] + (before[1] - last[1]) * share2];
    return { rest: [...rest2, neck], head: { tip, neck } };
  }
}
function drawPath(image, points, heads) {
  const lines = arrowLines(points, heads);
  if (!lines) return dot2(image, points[points.length - 1]);
  paint(image, points, (x, y) => {
    let far = Infinity;
    for (let i = 1; i < lines.shaft.length; i++) far = Math.min(far, fromLine(x, y, lines.shaft[i - 1], lines.shaft[i]) - SHAFT);
    for (const head2 of lines.heads) far = Math.min(far, fromHead(x, y, head2));
    return far;
  });
}
function fromLine(x, y, a, b) {
  const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
  const along = Math.max(0, Math.min(1, ((x - a[0]) * dx + (y - a[1]) * dy) / Math.max(1e-9, dx * dx + dy * dy)));
  return Math.hypot(x - a[0] - along * dx, y - a[1] - along * dy);
}
function fromHead(x, y, { tip, neck }) {
  const length2 = Math.max(1e-9, Math.hypot(tip[0] - neck[0], tip[1] - neck[1]));
  const [ux, uy] = [(tip[0] - neck[0]) / length2, (tip[1] - neck[1]) / length2];
  const along = (x - neck[0]) * ux + (y - neck[1]) * uy;
  const off = Math.abs((x - neck[0]) * uy - (y - neck[1]) * ux);
  return Math.max(off - HEAD2 * (length2 - along) / length2, -along);
}
function dot2(image, at) {
  paint(image, [at], (x, y) => {
    const far = Math.hypot(x - at[0], y - at[1]);
    return Math.min(far - 2.5, Math.abs(far - HEAD2) - 1.2);
  });
}
function paint(image, points, distance2) {
  const reach2 = HEAD2 + HALO + 2;
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  const [left, right] = [Math.min(...xs) - reach2, Math.max(...xs) + reach2];
  const [top, bottom] = [Math.min(...ys) - reach2, Math.max(...ys) + reach2];
  for (let y = Math.max(0, Math.floor(top)); y <= Math.min(image.height - 1, bottom); y++) {
    for (let x = Math.max(0, Math.floor(left)); x <= Math.min(image.width - 1, right); x++) {
      const far = distance2(x + 0.5, y + 0.5);
      blend(image, x, y, PAPER, share(far - HALO));
      blend(image, x, y, INK2, share(far));
    }
  }
}
var share = (distance2) => Math.max(0, Math.min(1, 0.5 - distance2));
function blend(image, x, y, colour2, part2) {
  if (part2 === 0) return;
  const at = (y * image.width + x) * 3;
  for (let k = 0; k < 3; k++) image.data[at + k] = image.data[at + k] * (1 - part2) + colour2[k] * part2;
}

// src/core/picture/glyphs.ts
var GLYPHS = {
  A: [14, 17, 17, 31, 17, 17, 17],
  B: [30, 17, 17, 30, 17, 17, 30],
  C: [14, 17, 16, 16, 16, 17, 14],
  D: [30, 17, 17, 17, 17, 17, 30],
  E: [31, 16, 16, 30, 16, 16, 31],
  F: [31, 16, 16, 30, 16, 16, 16],
  G: [14, 17, 16, 23, 17, 17, 14],
  H: [17, 17, 17, 31, 17, 17, 17],
  J: [7, 2, 2, 2, 2, 18, 12],
  K: [17, 18, 20, 24, 20, 18, 17],
  L: [16, 16, 16, 16, 16, 16, 31],
  M: [17, 27, 21, 21, 17, 17, 17],
  N: [17, 25, 21, 19, 17, 17, 17],
  P: [30, 17, 17, 30, 16, 16, 16],
  R: [30, 17, 17, 30, 20, 18, 17],
  S: [15, 16, 16, 14, 1, 1, 30],
  T: [31, 4, 4, 4, 4, 4, 4],
  U: [17, 17, 17, 17, 17, 17, 14],
  V: [17, 17, 17, 17, 17, 10, 4],
  W: [17, 17, 17, 21, 21, 27, 17],
  X: [17, 17, 10, 4, 10, 17, 17],
  Y: [17, 17, 10, 4, 4, 4, 4],
  Z: [31, 1, 2, 4, 8, 16, 31]
};
var WIDE2 = 5;
var HIGH2 = 7;
var INK3 = 28;
var PAPER2 = 255;
var DISC = 5.6;
function drawLetter(image, letter, x, y, dot3) {
  const rows2 = GLYPHS[letter];
  if (!rows2) return;
  const reach2 = Math.ceil(DISC * dot3 + 1);
  for (let row = Math.floor(y) - reach2; row <= Math.floor(y) + reach2; row++) {
    for (let column = Math.floor(x) - reach2; column <= Math.floor(x) + reach2; column++) {
      if (row < 0 || column < 0 || row >= image.height || column >= image.width) continue;
      const far = Math.hypot(column + 0.5 - x, row + 0.5 - y);
      if (far > DISC * dot3) continue;
      const u = Math.floor((column + 0.5 - x) / dot3 + WIDE2 / 2);
      const v = Math.floor((row + 0.5 - y) / dot3 + HIGH2 / 2);
      const isInk = u >= 0 && u < WIDE2 && v >= 0 && v < HIGH2 && (rows2[v] >> WIDE2 - 1 - u & 1) === 1;
      const isRim = far > (DISC - 0.7) * dot3;
      image.data.fill(isInk || isRim ? INK3 : PAPER2, (row * image.width + column) * 3, (row * image.width + column) * 3 + 3);
    }
  }
}

// src/core/picture/rings.ts
function drawRing(image, cx, cy, radius) {
  const reach2 = Math.ceil(radius + 3);
  for (let y = Math.floor(cy) - reach2; y <= Math.floor(cy) + reach2; y++) {
    for (let x = Math.floor(cx) - reach2; x <= Math.floor(cx) + reach2; x++) {
      if (x < 0 || y < 0 || x >= image.width || y >= image.height) continue;
      const far = Math.hypot(x + 0.5 - cx, (y + 0.5 - cy) * RING_SQUASH);
      const paper = cover(far, radius, RING_HALF.paper);
      const line2 = cover(far, radius, RING_HALF.ink);
      if (paper > 0) blend2(image, x, y, 255, paper);
      if (line2 > 0) blend2(image, x, y, 28, line2);
    }
  }
}
var RING_SQUASH = 1.5;
var RING_HALF = { paper: 2.2, ink: 1 };
var cover = (far, radius, half) => Math.max(0, Math.min(1, half + 0.5 - Math.abs(far - radius)));
function blend2(image, x, y, grey, share2) {
  const at = (y * image.width + x) * 3;
  for (let i = at; i < at + 3; i++) image.data[i] = image.data[i] * (1 - share2) + grey * share2;
}

// src/core/picture/print-plate.ts
var INK4 = 28;
var FRAME = 2;
var LETTER_DOT = 1.5;
function printMarks(image, marks) {
  for (const mark of marks) {
    if (mark.kind === "ring") drawRing(image, ...mark.at, mark.radius);
    else if (mark.kind === "path") drawPath(image, mark.points, mark.heads);
    else drawLetter(image, mark.letter, ...mark.at, LETTER_DOT);
  }
}
function printOverlay(image, overlay) {
  const picture = inkPlate(overlay);
  printMarks(picture, overlay.marks);
  if (overlay.leader) line(image, ...overlay.leader);
  if (overlay.isFramed) placeFramed(image, picture, overlay.left, overlay.top);
  else placeShape(image, picture, overlay);
}
function placeShape(image, picture, overlay) {
  const cover2 = coverOf(overlay);
  for (let y = 0; y < picture.height; y++) {
    for (let x = 0; x < picture.width; x++) {
      const share2 = cover2[y * picture.width + x] * overlay.opacity;
      if (share2 === 0 || x + overlay.left >= image.width || y + overlay.top >= image.height) continue;
      const to = ((y + overlay.top) * image.width + x + overlay.left) * 3;
      const from = (y * picture.width + x) * 3;
      for (let k = 0; k < 3; k++) image.data[to + k] = image.data[to + k] * (1 - share2) + picture.data[from + k] * share2;
    }
  }
}
function placeFramed(image, picture, left, top) {
  for (let y = -FRAME; y < picture.height + FRAME; y++) {
    for (let x = -FRAME; x < picture.width + FRAME; x++) {
      if (x + left < 0 || y + top < 0 || x + left >= image.width || y + top >= image.height) continue;
      const to = ((y + top) * image.width + x + left) * 3;
      const isInside2 = x >= 0 && y >= 0 && x < picture.width && y < picture.height;
      for (let k = 0; k < 3; k++) image.data[to + k] = isInside2 ? picture.data[(y * picture.width + x) * 3 + k] : INK4;
    }
  }
}
function line(image, [x0, y0], [x1, y1]) {
  const steps2 = Math.ceil(Math.max(Math.abs(x1 - x0), Math.abs(y1 - y0)));
  for (let i = 0; i <= steps2; i++) {
    const x = Math.round(x0 + (x1 - x0) * i / Math.max(1, steps2));
    const y = Math.round(y0 + (y1 - y0) * i / Math.max(1, steps2));
    if (x < 0 || y < 0 || x >= image.width || y >= image.height) continue;
    image.data.fill(INK4, (y * image.width + x) * 3, (y * image.width + x) * 3 + 3);
  }
}

// src/core/picture/vector/drawing.ts
var SEAM = 0.3;
var LETTER = { size: 13, disc: 8.4, rim: 1.1 };

// src/core/picture/vector/chain.ts
var SAME2 = 0.02;
var SPAN = 2 ** 22;
var nameOf = ([x, y]) => (Math.round(x / SAME2) + SPAN / 2) * SPAN + Math.round(y / SAME2) + SPAN / 2;
var Places = class {
  numbers = /* @__PURE__ */ new Map();
  of(place) {
    const name2 = nameOf(place);
    let number2 = this.numbers.get(name2);
    if (number2 === void 0) this.numbers.set(name2, number2 = this.numbers.size);
    return number2;
  }
};
function outlineLoops(pieces) {
  if (pieces.length === 1) return [...pieces];
  const places = new Places();
  const sides2 = /* @__PURE__ */ new Map();
  for (const piece of pieces) {
    for (let i = 0; i < piece.length; i++) {
      const [a, b] = [piece[i], piece[(i + 1) % piece.length]];
      const [from, to] = [places.of(a), places.of(b)];
      if (from === to || sides2.delete(to * SPAN + from)) continue;
      sides2.set(from * SPAN + to, { a, b, from, to });
    }
  }
  return chain2([...sides2.values()]);
}
function joinLines(lines) {
  const places = new Places();
  const stretches = lines.map(({ from, to }) => ({ a: from, b: to, from: places.of(from), to: places.of(to) }));
  return chain2([...stretches, ...stretches.map(({ a, b, from, to }) => ({ a: b, b: a, from: to, to: from }))], stretches.length);
}
function chain2(stretches, twins) {
  const starts = /* @__PURE__ */ new Map();
  const degree = /* @__PURE__ */ new Map();
  stretches.forEach(({ from, to }, i) => {
    const list = starts.get(from);
    if (list) list.push(i);
    else starts.set(from, [i]);
    degree.set(from, degree.get(from) ?? 0);
    degree.set(to, (degree.get(to) ?? 0) + 1);
  });
  const isUsed = new Uint8Array(stretches.length);
  const use = (i) => {
    isUsed[i] = 1;
    if (twins !== void 0) isUsed[(i + twins) % stretches.length] = 1;
  };
  const next = (place) => starts.get(place)?.find((i) => isUsed[i] === 0);
  const chains = [];
  const walk = (first) => {
    if (isUsed[first] === 1) return;
    const line2 = [stretches[first].a];
    for (let i = first; i !== void 0; i = next(stretches[i].to)) {
      use(i);
      extend(line2, stretches[i].b);
    }
    chains.push(line2);
  };
  const isEnd = (place) => twins === void 0 ? degree.get(place) === 0 : degree.get(place) % 2 === 1;
  stretches.forEach(({ from }, i) => isEnd(from) && walk(i));
  stretches.forEach((_, i) => walk(i));
  return chains;
}
function extend(line2, to) {
  const [before, last] = [line2[line2.length - 2], line2[line2.length - 1]];
  if (before) {
    const across = (last[0] - before[0]) * (to[1] - last[1]) - (last[1] - before[1]) * (to[0] - last[0]);
    const along = (last[0] - before[0]) * (to[0] - last[0]) + (last[1] - before[1]) * (to[1] - last[1]);
    if (Math.abs(across) < 1e-3 && along > 0) line2.pop();
  }
  line2.push(to);
}

// src/core/picture/vector/facets.ts
var depthAt = ({ plane }, x, y) => plane[0] * x + plane[1] * y + plane[2];
var pointsOf = ({ corners }) => Array.from({ length: corners.length / 2 }, (_, i) => [corners[i * 2], corners[i * 2 + 1]]);
var PER_PART = 65536;
function visibleFacets({ easel, shown }, section2) {
  const seen2 = surfacesIn(easel.layers);
  const facets = [];
  for (const { part: part2, lift } of shown) {
    const placed = section2.parts[part2];
    const origin = easel.originOf(placed, lift);
    const stencil = easel.cutter.of(placed.shape, placed.pose.matrix);
    stencil.forEach((facet, index) => {
      if (seen2.has(part2 * PER_PART + facet.surface)) facets.push(placeFacet(facet, part2, origin, stencil, index));
    });
    section2.patches.get(part2)?.forEach((patch, number2) => {
      if (!seen2.has(part2 * PER_PART + FIRST_DECAL + number2)) return;
      const at = lift ? add(placed.pose.at, lift) : placed.pose.at;
      const seenPatch = seePatch(patch, number2, { matrix: placed.pose.matrix, at }, easel.camera);
      seenPatch?.stencil.forEach((facet, index) => {
        facets.push({ ...placeFacet(facet, part2, origin, seenPatch.stencil, index), patch: seenPatch });
      });
    });
  }
  return facets;
}
function surfacesIn({ part: part2, surface }) {
  const seen2 = /* @__PURE__ */ new Set();
  let last = -1;
  for (let dot3 = 0; dot3 < part2.length; dot3++) {
    if (part2[dot3] === NOTHING) continue;
    const key = part2[dot3] * PER_PART + surface[dot3];
    if (key === last) continue;
    last = key;
    seen2.add(key);
  }
  return seen2;
}
function placeFacet(facet, part2, [x, y, depth], stencil, index) {
  const { length: length2 } = facet.corners;
  const corners = new Float64Array(length2);
  const plane = [facet.slopeX, facet.slopeY, depth + facet.base - facet.slopeX * x - facet.slopeY * y];
  let [left, right, top, bottom, near, far] = [Infinity, -Infinity, Infinity, -Infinity, Infinity, -Infinity];
  for (let i = 0; i < length2; i += 2) {
    const u = corners[i] = facet.corners[length2 - 2 - i] + x;
    const v = corners[i + 1] = facet.corners[length2 - 1 - i] + y;
    const deep = plane[0] * u + plane[1] * v + plane[2];
    left = Math.min(left, u);
    right = Math.max(right, u);
    top = Math.min(top, v);
    bottom = Math.max(bottom, v);
    near = Math.min(near, deep);
    far = Math.max(far, deep);
  }
  return { part: part2, surface: facet.surface, tone: facet.tone, corners, plane, left, right, top, bottom, near, far, stencil, index };
}

// src/core/picture/vector/edges.ts
var HIDDEN = 0;
var CREASE2 = 1;
var OUTLINE2 = 2;
var HEAVY2 = 3;
var KINDS2 = [void 0, "crease", "outline", "heavy"];
var BESIDE = [0.9, 1.7];
var DEPTH_STEP2 = 3;
var FLUSH = 0.02;
var VALLEY = { u: 0.3, dots: 2.6 };
var SAME_FACET = 0.6;
var SAME_EDGE = 1.5;
var SPECK = { dots: 2, edge: 6 };
var SLIP = 1;
function visibleLines(facets, { layers, camera }, isNew) {
  const reader = new EdgeReader(layers, isNew, camera.scale);
  const lines = [];
  for (const facet of facets) {
    const beyond = neighboursOf2(facet.stencil)[facet.index];
    const { corners } = facet;
    const count = corners.length / 2;
    for (let i = 0; i < count; i++) {
      const neighbour = beyond[(2 * count - 2 - i) % count];
      if (neighbour === SAME_SURFACE) continue;
      const yieldsTo = neighbour >= 0 && neighbour < facet.index ? facet.stencil[neighbour].surface : NO_SURFACE;
      reader.read(facet, i * 2, (i + 1) % count * 2, yieldsTo, lines);
    }
  }
  return lines;
}
var SAME_SURFACE = -2;
var NONE4 = -1;
var NO_SURFACE = -1;
var known14 = /* @__PURE__ */ new WeakMap();
function neighboursOf2(stencil) {
  let found2 = known14.get(stencil);
  if (!found2) known14.set(stencil, found2 = findNeighbours(stencil));
  return found2;
}
function findNeighbours(stencil) {
  const ends = /* @__PURE__ */ new Map();
  const edgesOf = stencil.map(({ corners, slopeX, slopeY, base: base2 }, facet) => {
    const count = corners.length / 2;
    const name2 = (i) => {
      const [x, y] = [corners[i * 2], corners[i * 2 + 1]];
      return `${Math.round(x * 20)} ${Math.round(y * 20)} ${Math.round((base2 + slopeX * x + slopeY * y) * 20)}`;
    };
    return Array.from({ length: count }, (_, i) => {
      const [a, b] = [name2(i), name2((i + 1) % count)];
      const key = a < b ? `${a} ${b}` : `${b} ${a}`;
      const list = ends.get(key);
      if (list) list.push(facet);
      else ends.set(key, [facet]);
      return key;
    });
  });
  return stencil.map(
    ({ surface }, facet) => edgesOf[facet].map((key) => {
      const other = ends.get(key).find((candidate) => candidate !== facet);
      if (other === void 0) return NONE4;
      return stencil[other].surface === surface ? SAME_SURFACE : other;
    })
  );
}
var EdgeReader = class {
  constructor(layers, isNew, dotsPerU) {
    this.layers = layers;
    this.isNew = isNew;
    this.touching = VALLEY.u + VALLEY.dots / dotsPerU;
  }
  layers;
  isNew;
  kinds = new Uint8Array(1024);
  touching;
  /**
   * Adds the stretches of an edge that show.
   *
   * @param a where the edge begins in the corners, @param b where it ends
   * @param yieldsTo the surface of the same part beyond the edge that draws it where both show
   */
  read(facet, a, b, yieldsTo, lines) {
    const { corners, part: part2 } = facet;
    const [ax, ay] = [corners[a], corners[a + 1]];
    const [dx, dy] = [corners[b] - ax, corners[b + 1] - ay];
    const length2 = Math.hypot(dx, dy);
    if (length2 < 0.2) return;
    const count = Math.max(1, Math.ceil(length2));
    if (count > this.kinds.length) this.kinds = new Uint8Array(count * 2);
    const { kinds } = this;
    for (let i = 0; i < count; i++) {
      const t = (i + 0.5) / count;
      kinds[i] = this.kindAt(facet, ax + dx * t, ay + dy * t, dy / length2, -dx / length2, yieldsTo);
    }
    closeSlips(kinds, count);
    const at = (i) => [ax + dx * i / count, ay + dy * i / count];
    for (let i = 0; i < count; ) {
      const kind = kinds[i];
      let end = i + 1;
      while (end < count && kinds[end] === kind) end++;
      if (kind !== HIDDEN && (end - i >= SPECK.dots || count < SPECK.edge)) lines.push({ kind: KINDS2[kind], part: part2, from: at(i), to: at(end) });
      i = end;
    }
  }
  kindAt(facet, x, y, outX, outY, yieldsTo) {
    const edge = depthAt(facet, x, y);
    for (const far of BESIDE) {
      if (!this.shows(this.dotAt(x - outX * far, y - outY * far), facet, facet.surface, edge)) continue;
      const outside = this.dotAt(x + outX * far, y + outY * far);
      if (yieldsTo !== NO_SURFACE && this.shows(outside, facet, yieldsTo, edge)) return HIDDEN;
      return this.kindBeside(facet, outside);
    }
    return HIDDEN;
  }
  /** Whether a dot beside an edge of some depth shows a surface there, and not the same surface nearer to the viewer. */
  shows(dot3, facet, surface, edge) {
    const { layers } = this;
    if (dot3 < 0 || layers.part[dot3] !== facet.part || layers.surface[dot3] !== surface) return false;
    const depth = layers.depth[dot3];
    return Math.abs(depth - edge) < SAME_EDGE || Math.abs(depth - this.planeAt(facet, dot3)) < SAME_FACET;
  }
  planeAt(facet, dot3) {
    const { width } = this.layers.size;
    const x = dot3 % width;
    return depthAt(facet, x + 0.5, (dot3 - x) / width + 0.5);
  }
  /** What kind of line parts a facet from what shows at a dot beside it; none where that draws the line itself. */
  kindBeside(facet, outside) {
    const { part: part2, surface, depth } = this.layers;
    const other = outside < 0 ? NOTHING : part2[outside];
    if (other === NOTHING) return this.isNew(facet.part) ? HEAVY2 : OUTLINE2;
    const deeper = depth[outside] - this.planeAt(facet, outside);
    if (other === facet.part) return surface[outside] !== facet.surface || Math.abs(deeper) > DEPTH_STEP2 ? CREASE2 : HIDDEN;
    if (deeper < -this.touching || Math.abs(deeper) < FLUSH && other < facet.part) return HIDDEN;
    return this.isNew(facet.part) !== this.isNew(other) ? HEAVY2 : OUTLINE2;
  }
  /** −1 outside the picture. */
  dotAt(x, y) {
    const { width, height } = this.layers.size;
    return x < 0 || y < 0 || x >= width || y >= height ? -1 : Math.floor(y) * width + Math.floor(x);
  }
};
function closeSlips(kinds, count) {
  for (let i = 1; i + SLIP < count; i++) {
    if (kinds[i] === HIDDEN && kinds[i - 1] !== HIDDEN && kinds[i - 1] === kinds[i + SLIP]) kinds[i] = kinds[i - 1];
  }
}

// src/core/picture/vector/overlap.ts
var MOST_CORNERS = 128;
var Overlap = class {
  /** dots² */
  area = 0;
  /** u */
  low = 0;
  high = 0;
  from = new Float64Array(MOST_CORNERS * 2);
  into = new Float64Array(MOST_CORNERS * 2);
  /** @returns whether they have anything in common */
  of(a, b) {
    let count = a.corners.length / 2;
    this.from.set(a.corners);
    const { corners } = b;
    for (let i = 0; i < corners.length && count > 2; i += 2) {
      const j = i + 2 === corners.length ? 0 : i + 2;
      count = this.cut(count, corners[i], corners[i + 1], corners[j], corners[j + 1]);
    }
    if (count < 3) return false;
    this.measure(count, a, b);
    return true;
  }
  /** Keeps what lies on the inside of a line. @returns how many corners are left */
  cut(count, ax, ay, bx, by) {
    const { from, into } = this;
    const [dx, dy] = [bx - ax, by - ay];
    let left = 0;
    let x = from[count * 2 - 2];
    let y = from[count * 2 - 1];
    let side = dx * (y - ay) - dy * (x - ax);
    for (let k = 0; k < count; k++) {
      const nextX = from[k * 2];
      const nextY = from[k * 2 + 1];
      const nextSide = dx * (nextY - ay) - dy * (nextX - ax);
      if (side < 0 !== nextSide < 0) {
        const share2 = side / (side - nextSide);
        into[left * 2] = x + (nextX - x) * share2;
        into[left * 2 + 1] = y + (nextY - y) * share2;
        left++;
      }
      if (nextSide >= 0) {
        into[left * 2] = nextX;
        into[left * 2 + 1] = nextY;
        left++;
      }
      x = nextX;
      y = nextY;
      side = nextSide;
    }
    this.from = into;
    this.into = from;
    return left;
  }
  measure(count, a, b) {
    const { from } = this;
    const slopeX = a.plane[0] - b.plane[0];
    const slopeY = a.plane[1] - b.plane[1];
    const base2 = a.plane[2] - b.plane[2];
    let twice = 0;
    let low = Infinity;
    let high = -Infinity;
    for (let k = 0; k < count; k++) {
      const next = k + 1 === count ? 0 : k + 1;
      const x = from[k * 2];
      const y = from[k * 2 + 1];
      twice += x * from[next * 2 + 1] - from[next * 2] * y;
      const far = slopeX * x + slopeY * y + base2;
      if (far < low) low = far;
      if (far > high) high = far;
    }
    this.area = Math.abs(twice) / 2;
    this.low = low;
    this.high = high;
  }
};

// src/core/picture/vector/order.ts
var CELL4 = 32;
var TOUCH = 0.05;
var SAME_DEPTH = 0.015;
function paintOrder(facets) {
  const { behind, inFront, cuts } = comparePairs(facets);
  const waits = Int32Array.from(behind, (list) => list.length);
  const isDone = new Uint8Array(facets.length);
  const ready = new ReadyList(facets);
  waits.forEach((count, i) => count === 0 && ready.add(i));
  const order = [];
  const open = { from: 0 };
  while (order.length < facets.length) {
    const next = ready.take() ?? leastBound(waits, isDone, open);
    isDone[next] = 1;
    for (const late of behind[next]) if (isDone[late] === 0) cuts[late].push(pointsOf(facets[next]));
    order.push({ facet: facets[next], cuts: cuts[next] });
    for (const front of inFront[next]) {
      waits[front]--;
      if (waits[front] === 0 && isDone[front] === 0) ready.add(front);
    }
  }
  return order;
}
function leastBound(waits, isDone, open) {
  while (isDone[open.from] === 1) open.from++;
  let best = open.from;
  for (let i = open.from; i < waits.length; i++) if (isDone[i] === 0 && waits[i] < waits[best]) best = i;
  return best;
}
function comparePairs(facets) {
  const pairs = { behind: facets.map(() => []), inFront: facets.map(() => []), cuts: facets.map(() => []) };
  const cells = /* @__PURE__ */ new Map();
  const met = new Int32Array(facets.length).fill(-1);
  const overlap = new Overlap();
  facets.forEach((facet, i) => {
    for (let row = Math.floor(facet.top / CELL4); row <= Math.floor(facet.bottom / CELL4); row++) {
      for (let column = Math.floor(facet.left / CELL4); column <= Math.floor(facet.right / CELL4); column++) {
        const key = row * 65536 + column;
        const cell = cells.get(key);
        if (!cell) {
          cells.set(key, [i]);
          continue;
        }
        for (const j of cell) {
          if (met[j] === i) continue;
          met[j] = i;
          compare2(facets, j, i, pairs, overlap);
        }
        cell.push(i);
      }
    }
  });
  return pairs;
}
function compare2(facets, i, j, pairs, overlap) {
  const [a, b] = [facets[i], facets[j]];
  if (a.right <= b.left || b.right <= a.left || a.bottom <= b.top || b.bottom <= a.top) return;
  if (!overlap.of(a, b) || overlap.area < TOUCH) return;
  const { low, high } = overlap;
  const isPatched = a.part === b.part && a.patch === void 0 !== (b.patch === void 0);
  if (isPatched && Math.max(-low, high) < 1) return a.patch ? note(pairs, j, i) : note(pairs, i, j);
  if (low >= -SAME_DEPTH) return high <= SAME_DEPTH ? note(pairs, j, i) : note(pairs, i, j);
  if (high <= SAME_DEPTH) return note(pairs, j, i);
  note(pairs, j, i);
  const hidden2 = keep(common(pointsOf(a), pointsOf(b)), ([x, y]) => depthAt(a, x, y) - depthAt(b, x, y));
  if (hidden2.length > 2 && areaOf(hidden2) > TOUCH) pairs.cuts[i].push(hidden2);
}
function note({ behind, inFront }, back, front) {
  behind[front].push(back);
  inFront[back].push(front);
}
var ReadyList = class {
  constructor(facets) {
    this.facets = facets;
    this.taken = new Uint8Array(facets.length);
  }
  facets;
  heap = [];
  byGroup = /* @__PURE__ */ new Map();
  taken;
  last = "";
  add(i) {
    const group = groupOf(this.facets[i]);
    const list = this.byGroup.get(group);
    if (list) list.push(i);
    else this.byGroup.set(group, [i]);
    this.heap.push(i);
    this.up(this.heap.length - 1);
  }
  take() {
    const same = this.byGroup.get(this.last);
    for (let i = same?.pop(); i !== void 0; i = same?.pop()) if (this.taken[i] === 0) return this.mark(i);
    for (let i = this.pop(); i !== void 0; i = this.pop()) if (this.taken[i] === 0) return this.mark(i);
    return void 0;
  }
  mark(i) {
    this.taken[i] = 1;
    this.last = groupOf(this.facets[i]);
    return i;
  }
  isBefore(a, b) {
    const [far, other] = [this.facets[a].far, this.facets[b].far];
    return far > other || far === other && a < b;
  }
  up(at) {
    const { heap } = this;
    while (at > 0) {
      const parent = at - 1 >> 1;
      if (!this.isBefore(heap[at], heap[parent])) return;
      this.swap(at, parent);
      at = parent;
    }
  }
  pop() {
    const { heap } = this;
    const top = heap[0];
    const last = heap.pop();
    if (heap.length === 0 || last === void 0) return top;
    heap[0] = last;
    for (let at = 0; ; ) {
      const [left, right] = [2 * at + 1, 2 * at + 2];
      let best = at;
      if (left < heap.length && this.isBefore(heap[left], heap[best])) best = left;
      if (right < heap.length && this.isBefore(heap[right], heap[best])) best = right;
      if (best === at) return top;
      this.swap(at, best);
      at = best;
    }
  }
  swap(a, b) {
    const { heap } = this;
    const kept = heap[a];
    heap[a] = heap[b];
    heap[b] = kept;
  }
};
var groupOf = ({ part: part2, surface, tone, patch }) => `${part2} ${surface} ${tone}${patch ? " picture" : ""}`;

// src/core/picture/vector/draw.ts
var MOST_FACETS = 12e3;
var WIDTHS = { crease: 0.55, outline: 1, heavy: 2.4 };
var FINE = 0.6;
var LEADER = 1;
var GLINT2 = { every: 14, wide: 3 };
function drawComposition(composition, section2, mostFacets = MOST_FACETS) {
  const items = plateItems(composition, section2, mostFacets);
  if (!items) return void 0;
  const overlays = (isFramed) => composition.overlays.filter((overlay) => overlay.isFramed === isFramed).flatMap((overlay) => overlayItems(overlay, section2));
  return {
    ...composition.size,
    items: [...items, ...overlays(false), ...composition.marks.map((mark) => ({ kind: "mark", mark })), ...overlays(true)]
  };
}
function overlayItems(overlay, section2) {
  const items = plateItems(overlay, section2, MOST_FACETS) ?? [];
  const { left, top, isFramed, opacity, leader } = overlay;
  const marks = overlay.marks.map((mark) => ({ kind: "mark", mark }));
  const drawing = { ...overlay.size, items: [...items, ...marks] };
  const inset = { kind: "drawing", drawing, left, top, isFramed, opacity };
  return leader ? [{ kind: "lines", colour: INK, width: LEADER, lines: [leader] }, inset] : [inset];
}
function plateItems(plate2, section2, mostFacets) {
  const facets = visibleFacets(plate2, section2);
  if (facets.length > mostFacets) return void 0;
  const scale2 = 1 / plate2.finer;
  return [
    ...areaItems(paintOrder(facets), plate2.look, scale2),
    ...lineItems(
      visibleLines(facets, plate2.easel, (part2) => part2 >= plate2.look.newFrom && part2 < plate2.look.newTo),
      plate2.look,
      scale2
    )
  ];
}
var paperShare = (part2, { newFrom, newTo, wash }) => part2 >= newFrom && part2 < newTo ? 0 : wash;
function areaItems(order, look, scale2) {
  const items = [];
  for (let i = 0; i < order.length; ) {
    const group = groupOf(order[i].facet);
    let end = i + 1;
    while (end < order.length && groupOf(order[end].facet) === group) end++;
    const pieces = order.slice(i, end).flatMap(piecesOf);
    if (pieces.length > 0) items.push(...faceItems(order[i].facet, pieces, look, scale2));
    i = end;
  }
  return items;
}
var piecesOf = ({ facet, cuts }) => cuts.reduce((pieces, cut2) => pieces.flatMap((piece) => outsideOf(piece, cut2)), [pointsOf(facet)]);
function faceItems({ part: part2, tone, patch }, pieces, look, scale2) {
  const paper = paperShare(part2, look);
  const sized = (loops2) => loops2.map((loop) => loop.map(([x, y]) => [x * scale2, y * scale2]));
  const loops = sized(outlineLoops(pieces));
  if (patch) {
    const at = ([x, y]) => [x * scale2, y * scale2];
    const { decal: decal2 } = patch.patch;
    const sides2 = { corner: at(patch.corner), right: at(patch.right), down: at(patch.down) };
    return [{ kind: "picture", address: decal2.picture, ...sides2, within: loops, opacity: 1 - paper }];
  }
  const slots = mixedSlots(look.looks[part2], paper);
  const items = [{ kind: "area", colour: slots.tones[tone], loops }];
  if (look.looks[part2].isClear) items.push({ kind: "area", colour: slots.lit[tone], loops: sized(pieces.flatMap(glints)) });
  return items;
}
function glints(piece) {
  const along = piece.map(([x, y]) => x + y);
  const stripes = [];
  for (let k = Math.floor(Math.min(...along) / GLINT2.every); k * GLINT2.every <= Math.max(...along); k++) {
    const from = k * GLINT2.every;
    const stripe = keep(
      keep(piece, ([x, y]) => x + y - from),
      ([x, y]) => from + GLINT2.wide - x - y
    );
    if (stripe.length > 2) stripes.push(stripe);
  }
  return stripes;
}
function lineItems(lines, look, scale2) {
  const styles = { crease: /* @__PURE__ */ new Map(), outline: /* @__PURE__ */ new Map(), heavy: /* @__PURE__ */ new Map() };
  for (const line2 of lines) {
    const { lineNames, lines: ink } = mixedSlots(look.looks[line2.part], paperShare(line2.part, look));
    const slot2 = line2.kind === "crease" ? 1 : 0;
    const [colour2, name2] = line2.kind === "heavy" ? [INK, ""] : [ink[slot2], lineNames[slot2]];
    const style = styles[line2.kind].get(name2);
    if (style) style.lines.push(line2);
    else styles[line2.kind].set(name2, { colour: colour2, lines: [line2] });
  }
  return ["crease", "outline", "heavy"].flatMap(
    (kind) => [...styles[kind].values()].map(({ colour: colour2, lines: mine }) => {
      const scaled2 = joinLines(mine).map((line2) => line2.map(([x, y]) => [x * scale2, y * scale2]));
      return { kind: "lines", colour: colour2, width: kind === "outline" && look.hasFineLines ? FINE : WIDTHS[kind], lines: scaled2 };
    })
  );
}

// src/core/picture/vector/svg.ts
function writeSvg(drawing) {
  const names = { count: 0 };
  const body = drawing.items.map((item) => itemText(item, names)).join("");
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${drawing.width}" height="${drawing.height}" viewBox="0 0 ${drawing.width} ${drawing.height}" stroke-linejoin="round" stroke-linecap="round"><rect width="100%" height="100%" fill="#fff"/>${body}</svg>`;
}
var number = (value) => String(Math.round(value * 100) / 100);
var hex2 = (colour2) => `#${colour2.map((value) => Math.round(value).toString(16).padStart(2, "0")).join("")}`;
var point = ([x, y]) => `${number(x)} ${number(y)}`;
var path = (loops, isClosed) => loops.map((loop) => `M${point(loop[0])}l${stepsOf(loop).map(point).join(" ")}${isClosed ? "z" : ""}`).join("");
var FINEST = 0.05;
function stepsOf(loop) {
  const first = loop[0];
  const rounded = (value) => Math.round(value / FINEST) * FINEST;
  const local = loop.map(([x, y]) => [rounded(x - first[0]), rounded(y - first[1])]);
  return local.slice(1).map(([x, y], i) => [x - local[i][0], y - local[i][1]]);
}
function itemText(item, names) {
  switch (item.kind) {
    case "area": {
      const colour2 = hex2(item.colour);
      return `<path d="${path(item.loops, true)}" fill="${colour2}" stroke="${colour2}" stroke-width="${SEAM}"/>`;
    }
    case "lines":
      return `<path d="${path(item.lines, false)}" fill="none" stroke="${hex2(item.colour)}" stroke-width="${number(item.width)}"/>`;
    case "picture":
      return pictureText(item, names);
    case "mark":
      return markText(item.mark);
    case "drawing":
      return drawingText(item, names);
  }
}
function pictureText(item, names) {
  const id2 = `within-${names.count++}`;
  const matrix = [...item.right, ...item.down, ...item.corner].map((value) => String(Math.round(value * 1e4) / 1e4)).join(" ");
  return `<clipPath id="${id2}"><path d="${path(item.within, true)}"/></clipPath><g clip-path="url(#${id2})" opacity="${number(item.opacity)}"><image width="1" height="1" preserveAspectRatio="none" transform="matrix(${matrix})" href="${item.address}"/></g>`;
}
function drawingText({ drawing, left, top, isFramed, opacity }, names) {
  const { width, height } = drawing;
  const frame2 = isFramed ? `<rect x="${number(left - 1)}" y="${number(top - 1)}" width="${width + 2}" height="${height + 2}" fill="#fff" stroke="${hex2(INK)}" stroke-width="2"/>` : "";
  const inner = drawing.items.map((item) => itemText(item, names)).join("");
  return `${frame2}<svg x="${number(left)}" y="${number(top)}" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}" overflow="hidden"><g opacity="${number(opacity)}">${inner}</g></svg>`;
}
function markText(mark) {
  if (mark.kind === "ring") return ringText(mark);
  if (mark.kind === "letter") return letterText(mark);
  const lines = arrowLines(mark.points, mark.heads);
  if (!lines) return dotText(mark.points[mark.points.length - 1]);
  const { shaft, halo } = ARROW_SHAPE;
  const heads = path(lines.heads.map(headCorners), true);
  const line2 = path([lines.shaft], false);
  const stroke = (colour2, more) => `<path d="${line2}" fill="none" stroke="${hex2(colour2)}" stroke-width="${number(2 * (shaft + more))}"/><path d="${heads}" fill="${hex2(colour2)}" stroke="${hex2(colour2)}" stroke-width="${number(2 * more)}"/>`;
  return stroke(WHITE2, halo) + stroke(INK, 0);
}
function headCorners({ tip, neck }) {
  const length2 = Math.max(1e-9, Math.hypot(tip[0] - neck[0], tip[1] - neck[1]));
  const across = [-(tip[1] - neck[1]) / length2 * ARROW_SHAPE.head, (tip[0] - neck[0]) / length2 * ARROW_SHAPE.head];
  return [tip, [neck[0] + across[0], neck[1] + across[1]], [neck[0] - across[0], neck[1] - across[1]]];
}
function ringText({ at, radius }) {
  const ring = (colour2, half) => `<ellipse cx="${number(at[0])}" cy="${number(at[1])}" rx="${number(radius)}" ry="${number(radius / RING_SQUASH)}" fill="none" stroke="${hex2(colour2)}" stroke-width="${2 * half}"/>`;
  return ring(WHITE2, RING_HALF.paper) + ring(INK, RING_HALF.ink);
}
var dotText = (at) => `<circle cx="${number(at[0])}" cy="${number(at[1])}" r="${ARROW_SHAPE.head}" fill="#fff" stroke="${hex2(INK)}" stroke-width="2.4"/><circle cx="${number(at[0])}" cy="${number(at[1])}" r="2.5" fill="${hex2(INK)}"/>`;
var letterText = ({ at, letter }) => `<circle cx="${number(at[0])}" cy="${number(at[1])}" r="${LETTER.disc}" fill="#fff" stroke="${hex2(INK)}" stroke-width="${LETTER.rim}"/><text x="${number(at[0])}" y="${number(at[1] + LETTER.size * 0.36)}" font-family="sans-serif" font-weight="700" font-size="${LETTER.size}" text-anchor="middle" fill="${hex2(INK)}">${letter}</text>`;

// src/core/picture/rail-painter.ts
var FINER = 2;
var MARGIN2 = 28;
var MOST_SCALE = 7;
var WASH = 0.32;
var MOST_VIEWS = 2;
var EDGE = 4;
var PALE = 0.68;
var LOW_PLATE = 11;
var hasFineLines = (camera) => camera.scale * PLATE_HEIGHT < LOW_PLATE;
var RailPainter = class {
  constructor(section2, catalogue, size2) {
    this.section = section2;
    this.size = size2;
    this.colours = catalogue.colours;
    const byColour = /* @__PURE__ */ new Map();
    this.looks = section2.parts.map(({ colour: colour2 }) => {
      let look = byColour.get(colour2);
      if (!look) byColour.set(colour2, look = lookOf(catalogue.colours.get(colour2)));
      return look;
    });
  }
  section;
  size;
  /** By view and how the work lies. */
  views = /* @__PURE__ */ new Map();
  looks;
  colours;
  /** The picture of a step (index from 0): what was there washed, what is new in full colour with a heavy outline and rings. */
  paint(step2, view) {
    const staged = this.stage(step2, view);
    const { state } = staged;
    if (!state) return print(this.composeOn(staged, step2, view));
    const isNext = state.inked >= 0 && state.inked === step2 - 1;
    const changed = isNext ? uniteWindows(state.windows[step2 - 1], state.windows[step2]) : allOf(state.easel.layers);
    const composition = this.composeOn(staged, step2, view);
    const image = state.inker.ink(changed, composition.look);
    state.inked = step2;
    return print(composition, image);
  }
  /** The same picture in areas and lines; nothing where that would be too many. */
  draw(step2, view) {
    return drawComposition(this.composeOn(this.stage(step2, view), step2, view), this.section);
  }
  /**
   * Draws a step. Finished sections stand beside their place; where they or the ghosts of parts would not be in the picture, it is
   * seen from farther off.
   */
  stage(step2, view) {
    const { section: section2 } = this;
    const lie = section2.lies[step2] ?? NO_TURN;
    const usual = this.cameraOf(section2.box, view, lie);
    const lifts = liftsOf(section2, step2, usual.scale / FINER);
    const ghosts = ghostsOf(section2, step2, usual.scale / FINER);
    const boxes = [
      ...[...lifts].map(([node, lift]) => shifted(hullOf(section2, partsOfNode(section2, step2, node)), lift)),
      ...ghosts.map(({ parts, lift }) => shifted(hullOf(section2, parts), lift))
    ];
    const isIn = boxes.every((box) => this.isInside(usual, box));
    if (lifts.size === 0 && isIn) {
      const state = this.upTo(step2, view, lie);
      return { easel: state.easel, window: state.windows[step2], lifts, ghosts, state };
    }
    const easel = new Easel(isIn ? usual : this.cameraOf([section2.box, ...boxes].reduce(unite), view, lie), this.full());
    const [from, to] = section2.ranges[step2];
    for (let part2 = 0; part2 < from; part2++) easel.draw(section2, part2);
    const window2 = easel.layers.startWindow();
    for (let part2 = from; part2 < to; part2++) easel.draw(section2, part2, lifts.get(section2.partNode[part2]));
    return { easel, window: window2, lifts, ghosts };
  }
  cameraOf(box, view, lie) {
    return fitCamera(box, view, this.full(), MARGIN2 * FINER, MOST_SCALE * FINER, TURNS[lie]);
  }
  isInside(camera, box) {
    const { left, right, top, bottom } = windowOf({ camera, finer: FINER }, box);
    return left > EDGE && top > EDGE && right < this.size.width - EDGE && bottom < this.size.height - EDGE;
  }
  composeOn({ easel, window: window2, lifts, ghosts }, step2, view) {
    const { section: section2 } = this;
    const [from, to] = section2.ranges[step2];
    const sight = { camera: easel.camera, finer: FINER };
    const look = { looks: this.looks, newFrom: from, newTo: to, wash: WASH, hasFineLines: hasFineLines(easel.camera) };
    const overlays = ghosts.flatMap((ghost) => ghostPlate(section2, ghost, this.looks, sight, this.size) ?? []);
    const lie = TURNS[section2.lies[step2] ?? NO_TURN];
    const inset = { section: section2, look, step: step2, view, lie, window: window2, finer: FINER, size: this.size };
    if (lifts.size === 0 && needsInset(inset)) overlays.push(insetPlate(inset));
    const boxOf = (node) => hullOf(section2, partsOfNode(section2, step2, node));
    const marks = [
      ...from > 0 ? ringsAt(sight, section2.holds[step2]) : [],
      ...[...lifts].map(([node, lift]) => wayHome(sight, boxOf(node), lift)),
      ...ghosts.map(({ parts, travel }) => wayIn2(sight, hullOf(section2, parts), travel)),
      ...this.reaches(step2, sight, lifts),
      ...this.letters(step2, easel.layers, window2)
    ];
    const shown = Array.from({ length: to }, (_, part2) => {
      const lift = part2 < from ? void 0 : lifts.get(section2.partNode[part2]);
      return lift ? { part: part2, lift } : { part: part2 };
    });
    return { easel, size: this.size, finer: FINER, shown, look, marks, overlays };
  }
  /** How far the joints of what comes in let it move. */
  reaches(step2, sight, lifts) {
    const { section: section2 } = this;
    const [first, last] = section2.nodeRanges[step2];
    return [...section2.reaches].flatMap(([node, reach2]) => {
      if (node < first || node >= last) return [];
      const marks = reachMarks(sight, reach2, hullOf(section2, partsOfNode(section2, step2, node)), lifts.get(node) ?? [0, 0, 0]);
      return marks.map((mark) => keptInside(mark, this.size, EDGE));
    });
  }
  /** A letter on each new part whose colour is hard to tell from another of this step. */
  letters(step2, layers, window2) {
    const [from, to] = this.section.ranges[step2];
    const own = this.section.parts.slice(from, to).filter(({ path: path2 }) => !path2.includes("/"));
    if (own.length < 2) return [];
    const letters = lettersOf(trayOf(own.map(({ part: part2 }) => part2)), this.colours);
    if (letters.size === 0) return [];
    return [...visibleMiddles(layers, window2, from, to)].flatMap(([part2, at]) => {
      const placed = this.section.parts[part2];
      const letter = placed.path.includes("/") ? void 0 : letters.get(pieceKey(placed.part));
      return letter ? [{ kind: "letter", letter, at: [at[0] / FINER, at[1] / FINER] }] : [];
    });
  }
  /**
   * One thing of a step alone in full colour, with rings where it takes hold and an arrow along its way in.
   * @param travel where it travels to, a unit vector
   */
  paintFocus(step2, view, id2, travel) {
    const { section: section2 } = this;
    const state = this.upTo(step2, view, section2.lies[step2] ?? NO_TURN);
    const { easel } = state;
    const [first, last] = section2.nodeRanges[step2];
    const node = section2.nodeIds.slice(first, last).indexOf(id2) + first;
    const mine = partsOfNode(section2, step2, node);
    state.inked = -1;
    const range = { newFrom: mine[0] ?? 0, newTo: mine.length > 0 ? mine[mine.length - 1] + 1 : 0 };
    const look = { looks: this.looks, ...range, wash: PALE, hasFineLines: hasFineLines(easel.camera) };
    const image = state.inker.ink(allOf(easel.layers), look);
    if (mine.length === 0) return image;
    const sight = { camera: easel.camera, finer: FINER };
    printMarks(image, [...ringsAt(sight, section2.nodeHolds[node]), wayIn2(sight, hullOf(section2, mine), travel)]);
    return image;
  }
  /** The finished section without marks. */
  paintFinished(view) {
    const state = this.finished(view);
    state.inked = -1;
    return state.inker.ink(allOf(state.easel.layers), this.finishedLook(state));
  }
  drawFinished(view) {
    const state = this.finished(view);
    const shown = this.section.parts.map((_, part2) => ({ part: part2 }));
    const plate2 = { easel: state.easel, size: this.size, finer: FINER, shown, look: this.finishedLook(state), marks: [], overlays: [] };
    return drawComposition(plate2, this.section);
  }
  /** What the picture of the finished section shows at a place. @param x px from the left, @param y px from the top */
  pick(view, x, y) {
    return pickAt(this.finished(view).easel, this.section, x * FINER, y * FINER);
  }
  finished = (view) => this.upTo(this.section.ranges.length - 1, view, NO_TURN);
  finishedLook = ({ easel }) => ({
    looks: this.looks,
    newFrom: 0,
    newTo: 0,
    wash: 0,
    hasFineLines: hasFineLines(easel.camera)
  });
  full = () => ({ width: this.size.width * FINER, height: this.size.height * FINER });
  upTo(step2, view, lie) {
    const key = lie * VIEWS.length + view;
    let state = this.views.get(key);
    if (!state || state.drawn > step2 + 1) {
      if (!state && this.views.size >= MOST_VIEWS) this.views.delete(this.views.keys().next().value);
      this.views.set(key, state = this.freshView(view, lie));
    }
    for (; state.drawn <= step2; state.drawn++) {
      const [from, to] = this.section.ranges[state.drawn] ?? [0, 0];
      const window2 = state.easel.layers.startWindow();
      for (let part2 = from; part2 < to; part2++) state.easel.draw(this.section, part2);
      state.windows.push(window2);
    }
    return state;
  }
  freshView(view, lie) {
    const easel = new Easel(this.cameraOf(this.section.box, view, lie), this.full());
    return { easel, inker: new Inker(easel.layers, FINER, WHITE2, easel.decals), drawn: 0, windows: [], inked: -1 };
  }
};
function print(composition, image = inkPlate(composition)) {
  for (const overlay of composition.overlays) if (!overlay.isFramed) printOverlay(image, overlay);
  printMarks(image, composition.marks);
  for (const overlay of composition.overlays) if (overlay.isFramed) printOverlay(image, overlay);
  return image;
}
function visibleMiddles({ part: part2, size: size2 }, window2, from, to) {
  const sums = /* @__PURE__ */ new Map();
  const each = (visit) => {
    for (let y = window2.top; y <= window2.bottom; y++) {
      for (let x = window2.left; x <= window2.right; x++) {
        const shown = part2[y * size2.width + x];
        if (shown >= from && shown < to) visit(shown, x, y);
      }
    }
  };
  each((shown, x, y) => {
    const sum = sums.get(shown) ?? [0, 0, 0];
    sums.set(shown, [sum[0] + 1, sum[1] + x, sum[2] + y]);
  });
  const nearest = /* @__PURE__ */ new Map();
  each((shown, x, y) => {
    const [count, sumX, sumY] = sums.get(shown);
    const far = (x - sumX / count) ** 2 + (y - sumY / count) ** 2;
    const known21 = nearest.get(shown);
    if (!known21 || far < known21[2]) nearest.set(shown, [x, y, far]);
  });
  return new Map([...nearest].map(([shown, [x, y]]) => [shown, [x, y]]));
}
var allOf = ({ size: size2 }) => ({ left: 0, right: size2.width - 1, top: 0, bottom: size2.height - 1 });

// src/core/picture/picture-grid.ts
var CELL5 = 40;
var PictureGrid = class {
  across;
  down;
  cells;
  seen;
  asked = 0;
  /** @param reaches of each part left, top, right, bottom, px, `stride` numbers apart */
  constructor(size2, reaches, stride) {
    this.across = Math.ceil(size2.width / CELL5);
    this.down = Math.ceil(size2.height / CELL5);
    this.cells = Array.from({ length: this.across * this.down }, () => []);
    const count = reaches.length / stride;
    this.seen = new Int32Array(count);
    for (let part2 = 0; part2 < count; part2++) {
      const at = part2 * stride;
      const window2 = { left: reaches[at], top: reaches[at + 1], right: reaches[at + 2], bottom: reaches[at + 3] };
      this.eachCell(window2, (cell) => cell.push(part2));
    }
  }
  /** Each part that may reach into the window, once, in the order of their numbers within a cell. */
  partsIn(window2) {
    const stamp = ++this.asked;
    const found2 = [];
    this.eachCell(window2, (cell) => {
      for (const part2 of cell) {
        if (this.seen[part2] === stamp) continue;
        this.seen[part2] = stamp;
        found2.push(part2);
      }
    });
    return found2;
  }
  eachCell({ left, top, right, bottom }, visit) {
    const from = Math.max(0, Math.floor(left / CELL5));
    const to = Math.min(this.across - 1, Math.floor(right / CELL5));
    const last = Math.min(this.down - 1, Math.floor(bottom / CELL5));
    for (let row = Math.max(0, Math.floor(top / CELL5)); row <= last; row++)
      for (let column = from; column <= to; column++) visit(this.cells[row * this.across + column]);
  }
};

// src/core/picture/scout.ts
var LOOK_SCALE = { least: 0.5, most: 1.2 };
var SMALL_PICTURE = 320;
var LARGE_PICTURE = 2e3;
var HIDES = 0.15;
var LEAST_DOTS = 2;
var PLENTY = 240;
function lookScale(box) {
  const extent = Math.hypot(...sizeOf(box));
  return Math.min(Math.max(LOOK_SCALE.least, Math.min(LOOK_SCALE.most, SMALL_PICTURE / extent)), LARGE_PICTURE / extent);
}
function lookCamera(box, view, lie) {
  const scale2 = lookScale(box);
  const extent = projectedSize(box, view, lie);
  const size2 = { width: Math.ceil(extent.width * scale2) + 8, height: Math.ceil(extent.height * scale2) + 8 };
  return { camera: fitCamera(box, view, size2, 4, scale2, lie), size: size2 };
}
var BETWEEN_BARS = 4;
var ENOUGH = 0.2;
var worthOf = (share2) => Math.min(share2, ENOUGH);
var REACH2 = 6;
var Scout = class {
  constructor(stage, view, lie = NO_TURN) {
    this.stage = stage;
    const { parts } = stage.scene;
    const { camera, size: size2 } = lookCamera(stage.box, view, TURNS[lie]);
    this.size = size2;
    this.cutter = new StencilCutter(camera, true);
    this.shown = new Int32Array(parts.length);
    this.reaches = new Float32Array(parts.length * REACH2);
    this.origins = new Float64Array(parts.length * 3);
    parts.forEach(({ shape, pose }, part2) => {
      const stencil = this.cutter.of(shape, pose.matrix);
      const origin = project(camera, pose.at);
      this.stencils.push(stencil);
      this.origins.set(origin, part2 * 3);
      this.reaches.set(this.cutter.reachOf(stencil, origin), part2 * REACH2);
    });
  }
  stage;
  size;
  cutter;
  alone = /* @__PURE__ */ new Map();
  /** Dots that show each part, of all drawn so far. */
  shown;
  reaches;
  /** Of each part, where its origin is seen: px, px, u. */
  origins;
  stencils = [];
  whole;
  grid;
  /** Adds nodes to the picture of the whole; never asked of a scout that looks into windows. @returns the share of each that shows */
  add(nodes) {
    const layers = this.whole ??= new Layers(this.size, this.shown);
    for (const node of nodes) this.eachPart(node, (part2) => this.drawInto(layers, part2, 0, 0));
    return nodes.map((node) => this.share(node));
  }
  /** Draws nodes, all together. @returns the parts that show at all */
  partsThatShow(nodes) {
    const layers = new Layers(this.size);
    for (const node of nodes) this.eachPart(node, (part2) => this.drawInto(layers, part2, 0, 0));
    return [...new Set(layers.part)].filter((part2) => part2 >= 0);
  }
  /**
   * The share of each of some nodes that shows among those that are there.
   *
   * @param bar as soon as they cannot be worth more than this together (`worthOf`), what is in front of them is looked at
   *   no further, and the shares are too large
   */
  sharesAmong(isThere, nodes, bar2 = -1) {
    const windows = nodes.map((node) => this.windowOf(node));
    const all2 = windows.reduce(uniteWindows, EMPTY_WINDOW);
    const apart = windows.reduce((sum, window2) => sum + areaOf2(window2), 0);
    if (areaOf2(all2) <= apart) return this.lookInto(all2, windows, isThere, nodes, bar2);
    let most = nodes.length * ENOUGH;
    return nodes.map((node, i) => {
      const [share2] = this.lookInto(windows[i], [windows[i]], isThere, [node], bar2 - (most - ENOUGH));
      most -= ENOUGH - worthOf(share2);
      return share2;
    });
  }
  lookInto(window2, windows, isThere, nodes, bar2) {
    if (areaOf2(window2) === 0) return nodes.map(() => 1);
    const layers = windowLayers(window2, this.shown);
    const { partNode } = this.stage.scene;
    for (const node of nodes) {
      this.eachPart(node, (part2) => this.shown[part2] = 0);
      this.eachPart(node, (part2) => this.drawInto(layers, part2, window2.left, window2.top));
    }
    const depth = this.farthestOf(nodes);
    this.grid ??= new PictureGrid(this.size, this.reaches, REACH2);
    let drawn = 0;
    for (const part2 of this.grid.partsIn(window2)) {
      const node = partNode[part2];
      if (this.reaches[part2 * REACH2 + 4] > depth || !windows.some((one) => this.reachesInto(part2, one))) continue;
      if (!isThere(node) || nodes.includes(node)) continue;
      this.shown[part2] = 0;
      this.drawInto(layers, part2, window2.left, window2.top);
      if (++drawn % BETWEEN_BARS === 0 && bar2 >= 0 && this.worth(nodes) <= bar2) break;
    }
    return nodes.map((node) => this.share(node));
  }
  reachesInto(part2, { left, right, top, bottom }) {
    const at = part2 * REACH2;
    const { reaches } = this;
    return reaches[at] <= right && reaches[at + 1] <= bottom && reaches[at + 2] >= left && reaches[at + 3] >= top;
  }
  worth(nodes) {
    return nodes.reduce((sum, node) => sum + worthOf(this.share(node)), 0);
  }
  /** Nodes in front of a node in the picture of the whole, those that cover most first. */
  hiders(node) {
    const window2 = this.windowOf(node);
    const alone = this.drawAlone(node, window2);
    const covers = /* @__PURE__ */ new Map();
    let dots = 0;
    for (let i = 0; i < alone.part.length; i++) {
      if (alone.part[i] < 0) continue;
      dots++;
      const row = window2.top + Math.floor(i / alone.size.width);
      const column = window2.left + i % alone.size.width;
      const by = this.stage.scene.partNode[this.whole.part[row * this.size.width + column]];
      if (by !== node) covers.set(by, (covers.get(by) ?? 0) + 1);
    }
    return [...covers].filter(([, count]) => count >= dots * HIDES).sort((a, b) => b[1] - a[1] || a[0] - b[0]).map(([by]) => by);
  }
  eachPart(node, visit) {
    const { start, list } = this.stage;
    for (let k = start[node]; k < start[node + 1]; k++) visit(list[k]);
  }
  drawInto(layers, part2, left, top) {
    const { origins } = this;
    layers.draw(this.stencils[part2], part2, origins[part2 * 3] - left, origins[part2 * 3 + 1] - top, origins[part2 * 3 + 2]);
  }
  share(node) {
    const { start } = this.stage;
    const count = start[node + 1] - start[node];
    let shown = 0;
    this.eachPart(node, (part2) => shown += this.shown[part2]);
    if (count === 0 || count > 1 && shown >= PLENTY) return 1;
    const whole = this.dotsAlone(node, count);
    return shown < LEAST_DOTS && whole > LEAST_DOTS ? 0 : Math.min(1, shown / Math.max(1, whole));
  }
  /** Dots that a node would have with nothing around; a single part has about the same wherever it stands. */
  dotsAlone(node, count) {
    const stencil = count === 1 ? this.stencils[this.stage.list[this.stage.start[node]]] : void 0;
    const known21 = stencil && this.alone.get(stencil);
    if (known21 !== void 0) return known21;
    let dots = 0;
    for (const part2 of this.drawAlone(node, this.windowOf(node)).part) if (part2 >= 0) dots++;
    if (stencil) this.alone.set(stencil, dots);
    return dots;
  }
  drawAlone(node, window2) {
    const layers = windowLayers(window2);
    this.eachPart(node, (part2) => this.drawInto(layers, part2, window2.left, window2.top));
    return layers;
  }
  /** The dots that a node can reach, within the picture. */
  windowOf(node) {
    const { reaches } = this;
    const window2 = { ...EMPTY_WINDOW };
    this.eachPart(node, (part2) => {
      const at = part2 * REACH2;
      window2.left = Math.min(window2.left, Math.max(0, Math.floor(reaches[at])));
      window2.top = Math.min(window2.top, Math.max(0, Math.floor(reaches[at + 1])));
      window2.right = Math.max(window2.right, Math.min(this.size.width - 1, Math.ceil(reaches[at + 2])));
      window2.bottom = Math.max(window2.bottom, Math.min(this.size.height - 1, Math.ceil(reaches[at + 3])));
    });
    return window2;
  }
  farthestOf(nodes) {
    let farthest = -Infinity;
    for (const node of nodes) this.eachPart(node, (part2) => farthest = Math.max(farthest, this.reaches[part2 * REACH2 + 5]));
    return farthest;
  }
};
var areaOf2 = ({ left, right, top, bottom }) => right < left || bottom < top ? 0 : (right - left + 1) * (bottom - top + 1);
var windowLayers = (window2, shown) => new Layers({ width: Math.max(1, window2.right - window2.left + 1), height: Math.max(1, window2.bottom - window2.top + 1) }, shown);

// src/core/picture/stage.ts
var known15 = /* @__PURE__ */ new WeakMap();
function stageOf(scene) {
  let stage = known15.get(scene);
  if (!stage) known15.set(scene, stage = makeStage(scene));
  return stage;
}
function makeStage(scene) {
  const start = new Int32Array(scene.nodes.length + 1);
  for (const node of scene.partNode) start[node + 1]++;
  for (let node = 0; node < scene.nodes.length; node++) start[node + 1] += start[node];
  const fill = start.slice();
  const list = new Int32Array(scene.parts.length);
  scene.partNode.forEach((node, part2) => list[fill[node]++] = part2);
  return { scene, start, list, box: boxAround(scene) };
}
var boxAround = ({ parts }) => parts.length === 0 ? boxAt([0, 0, 0], [10, 10, 4]) : parts.map(partHull).reduce(unite);

// src/core/picture/look.ts
var HOME = 0;
var GAIN = 0.02;
function lookFromHome(scene, steps2) {
  const scout = new Scout(stageOf(scene), HOME);
  const hiding = [];
  const looks2 = steps2.map((step2) => {
    const shares = scout.add(step2);
    shares.forEach((share2, i) => {
      if (share2 < ENOUGH) hiding.push({ node: step2[i], by: scout.hiders(step2[i]) });
    });
    return { view: HOME, shares };
  });
  return { looks: looks2, hiding };
}
function lookAtSteps(scene, steps2, lies, fromHome = lookFromHome(scene, steps2).looks) {
  const views2 = new Views(stageOf(scene));
  const stepOf = stepsOfNodes(scene, steps2);
  return fromHome.map((home, step2) => {
    const isThere = (node) => stepOf[node] <= step2;
    return lies[step2] === NO_TURN ? views2.best(home, steps2[step2], NO_TURN, isThere) : views2.look(steps2[step2], lies[step2], isThere);
  });
}
function lookAtSome(scene, steps2, lies, some) {
  const views2 = viewsOf(stageOf(scene));
  const stepOf = stepsOfNodes(scene, steps2);
  return some.map((step2) => views2.look(steps2[step2], lies[step2], (node) => stepOf[node] <= step2));
}
function stepsOfNodes(scene, steps2) {
  const stepOf = new Int32Array(scene.nodes.length).fill(steps2.length);
  for (let step2 = 0; step2 < steps2.length; step2++) for (const node of steps2[step2]) stepOf[node] = step2;
  return stepOf;
}
var Views = class {
  constructor(stage) {
    this.stage = stage;
  }
  stage;
  scouts = /* @__PURE__ */ new Map();
  scout(view, lie) {
    const key = lie * VIEWS.length + view;
    let known21 = this.scouts.get(key);
    if (!known21) this.scouts.set(key, known21 = new Scout(this.stage, view, lie));
    return known21;
  }
  /** Looks at nodes in their windows, from the usual side first. */
  look(nodes, lie, isThere) {
    const home = { view: HOME, shares: this.scout(HOME, lie).sharesAmong(isThere, nodes) };
    return this.best(home, nodes, lie, isThere);
  }
  /** Keeps the usual side unless it shows too little and another shows more. */
  best(home, nodes, lie, isThere) {
    let best = home;
    if (Math.min(1, ...best.shares) >= ENOUGH) return best;
    const poor = nodes.filter((_, i) => home.shares[i] < ENOUGH);
    const most = (nodes.length - poor.length) * ENOUGH;
    for (const view of VIEWS.slice(1)) {
      const scout = this.scout(view, lie);
      const bar2 = worth(best.shares) + GAIN;
      if (poor.length < nodes.length && worth(scout.sharesAmong(isThere, poor, bar2 - most)) + most <= bar2) continue;
      const shares = scout.sharesAmong(isThere, nodes, bar2);
      if (worth(shares) > bar2) best = { view, shares };
      if (Math.min(...best.shares) >= ENOUGH) break;
    }
    return best;
  }
};
var known16 = /* @__PURE__ */ new WeakMap();
function viewsOf(stage) {
  let views2 = known16.get(stage);
  if (!views2) known16.set(stage, views2 = new Views(stage));
  return views2;
}
var worth = (shares) => shares.reduce((sum, share2) => sum + worthOf(share2), 0);

// src/core/picture/repair.ts
var ROUNDS = 4;
var LARGE = 6e3;
var FEW_ROUNDS = 2;
var POOR = 1;
function lookAndRepair(built, options) {
  if (!built.frame) return { built, looks: lookAgain(built) };
  let current = lookOnce(built);
  let best = current;
  const wishes = /* @__PURE__ */ new Map();
  const rounds = built.scene.nodes.length > LARGE ? FEW_ROUNDS : ROUNDS;
  for (let round3 = 0; round3 < rounds && poorSteps(best.looks) > 0; round3++) {
    const before = wishes.size;
    for (const { node, by } of current.hiding) {
      for (const hider of by) {
        const wish = [node, hider];
        wishes.set(wish.join(), wish);
      }
    }
    if (wishes.size === before) break;
    current = lookOnce(layAgain(built, [...wishes.values()], options));
    const isHeld = current.built.holding.problems.length <= built.holding.problems.length;
    if (isHeld && current.price < best.price) best = current;
  }
  return { built: best.built, looks: best.looks };
}
function lookOnce(built) {
  const { scene, steps: steps2, lies } = built;
  const { looks: home, hiding } = lookFromHome(scene, steps2);
  const looks2 = lookAtSteps(scene, steps2, lies, home);
  const poor = 100 * poorSteps(looks2) / Math.max(1, steps2.length);
  return { built, hiding, looks: looks2, price: POOR * poor + brokenPromises(scene, steps2) };
}
var MANY2 = 0.2;
var remembered = /* @__PURE__ */ new WeakMap();
function lookAgain({ scene, steps: steps2, lies }) {
  let known21 = remembered.get(scene);
  if (!known21) remembered.set(scene, known21 = /* @__PURE__ */ new WeakMap());
  const { before } = orderSets(steps2);
  const presents = [];
  const changed = [];
  let at = 0;
  steps2.forEach((step2, i) => {
    presents.push(before[at]);
    at += step2.length;
    const kept = known21.get(step2);
    if (kept?.present !== presents[i] || kept?.lie !== lies[i]) changed.push(i);
  });
  const fresh = changed.length > steps2.length * MANY2 ? void 0 : lookAtSome(scene, steps2, lies, changed);
  if (!fresh) lookAtSteps(scene, steps2, lies).forEach((look, i) => known21.set(steps2[i], { present: presents[i], lie: lies[i], look }));
  changed.forEach((step2, i) => {
    if (fresh) known21.set(steps2[step2], { present: presents[step2], lie: lies[step2], look: fresh[i] });
  });
  return steps2.map((step2) => known21.get(step2).look);
}
var poorSteps = (looks2) => looks2.filter(({ shares }) => shares.some((share2) => share2 < ENOUGH)).length;

// src/core/picture/outside.ts
var LIES = [NO_TURN, turnFromText("+x+z"), turnFromText("+z+y")];
var MOST_PARTS2 = 6e3;
var FEW_VIEWS = [0, 1, 2, 3, 4];
function findNeverSeen(scene) {
  const hidden2 = new Uint8Array(scene.parts.length).fill(1);
  const order = scene.nodes.map((_, node) => node);
  const stage = stageOf(scene);
  const isLarge = scene.parts.length > MOST_PARTS2;
  for (const lie of isLarge ? [NO_TURN] : LIES) {
    for (const view of isLarge ? FEW_VIEWS : VIEWS) {
      for (const part2 of new Scout(stage, view, lie).partsThatShow(order)) hidden2[part2] = 0;
    }
  }
  return hidden2;
}

// src/core/picture/png.ts
var CRC_TABLE = Uint32Array.from({ length: 256 }, (_, n2) => {
  let c = n2;
  for (let k = 0; k < 8; k++) c = (c & 1) === 1 ? c >>> 1 ^ 3988292384 : c >>> 1;
  return c >>> 0;
});
async function deflateRows(image) {
  const stride = image.width * 3;
  const rows2 = new Uint8Array((stride + 1) * image.height);
  for (let y = 0; y < image.height; y++) rows2.set(image.data.subarray(y * stride, (y + 1) * stride), y * (stride + 1) + 1);
  const stream = new Blob([rows2]).stream().pipeThrough(new CompressionStream("deflate"));
  return new Uint8Array(await new Response(stream).arrayBuffer());
}

// src/core/checks/never-seen.ts
function neverSeen(model2, root) {
  const hidden2 = hiddenParts(root.scene);
  return model2.sections.flatMap((section2) => {
    const ids = idsOfHidden(partsOf(section2), hidden2);
    if (ids.length === 0) return [];
    const message = `${nameParts(ids)} never show${ids.length === 1 ? "s" : ""} from outside the finished model: any colour will do. Mark the colour as free, so that builders may take what they have.`;
    return [finding("never-seen", { section: section2.id, step: null, parts: ids }, message)];
  });
}
var lists = /* @__PURE__ */ new WeakMap();
function idsOfHidden(parts, hidden2) {
  const known21 = lists.get(parts);
  if (known21?.hidden === hidden2) return known21.ids;
  const ids = parts.filter((part2) => part2.showsColour !== false && hidden2.has(part2)).map((part2) => part2.id);
  lists.set(parts, { hidden: hidden2, ids });
  return ids;
}
var known17 = /* @__PURE__ */ new WeakMap();
function hiddenParts(scene) {
  let hidden2 = known17.get(scene);
  if (!hidden2) {
    const isHidden = findNeverSeen(scene);
    const seen2 = new Set(scene.parts.filter((_, i) => isHidden[i] === 0).map(({ part: part2 }) => part2));
    known17.set(scene, hidden2 = new Set(scene.parts.map(({ part: part2 }) => part2).filter((part2) => !seen2.has(part2))));
  }
  return hidden2;
}

// src/core/checks/turn-trap.ts
var AWAY = 0.15;
var SYMMETRIC2 = 0.7;
var LEAST_PARTS2 = 12;
function turnTraps(model2, built, looks2) {
  const { steps: steps2 = [], planRest } = sectionById(model2, built.base);
  const isNoted = (step2) => planRest !== true && step2 !== null && (steps2[step2 - 1]?.note ?? "") !== "";
  return [...blindSides(built, looks2), ...oddPairs(built)].filter((found2) => !isNoted(found2.step));
}
function blindSides(built, looks2) {
  const suspects = suspectsOf(built.scene);
  return built.steps.flatMap((step2, i) => {
    if (suspects.size === 0 || !step2.some((node) => suspects.has(node))) return [];
    const toViewer = multiply(viewMatrix(looks2[i]?.view ?? 0), TURNS[built.lies[i] ?? 0]);
    const traps = step2.filter((node) => suspects.has(node) && isBlind(built.scene.nodes[node].parts[0], toViewer));
    if (traps.length === 0) return [];
    const ids = traps.map((node) => built.scene.nodes[node].id);
    const message = `The studs on the side of ${nameParts(ids)} point away from the viewer, so the picture does not tell which way round ${ids.length === 1 ? "it goes" : "they go"}. Say it in a note.`;
    return [finding("turn-trap", { section: built.id, step: i + 1, parts: ids }, message)];
  });
}
var suspectSets = /* @__PURE__ */ new WeakMap();
function suspectsOf(scene) {
  let suspects = suspectSets.get(scene);
  if (!suspects) {
    const found2 = scene.nodes.flatMap(({ kind, parts }, node) => kind === "part" && sideStuds2(parts[0].shape).length > 0 ? [node] : []);
    suspectSets.set(scene, suspects = new Set(found2));
  }
  return suspects;
}
function isBlind({ shape, pose }, toViewer) {
  return sideStuds2(shape).every(({ facing }) => dot(apply(multiply(toViewer, pose.matrix), DIRECTION_VECTORS[facing]), [0, 0, 1]) > AWAY);
}
var sides = /* @__PURE__ */ new WeakMap();
function sideStuds2(shape) {
  let known21 = sides.get(shape);
  if (!known21) {
    const found2 = shape.connectors.filter((connector) => connector.kind === "stud" && axisOf(connector.facing) !== 2);
    sides.set(shape, known21 = shape.bodies.length === 1 ? found2 : []);
  }
  return known21;
}
function oddPairs(built) {
  let pairs = known18.get(built.scene);
  if (!pairs) known18.set(built.scene, pairs = findOddPairs(built.scene));
  return pairs.map((pair) => {
    const ids = pair.map((node) => built.scene.nodes[node].id);
    const step2 = Math.max(...pair.map((node) => stepNumber(built, node) ?? 0)) || null;
    const message = `${nameParts(ids)} stand on the two sides of a section that is the same left and right, but one is turned differently. If that is meant, say so in a note.`;
    return finding("turn-trap", { section: built.id, step: step2, parts: ids }, message);
  });
}
var known18 = /* @__PURE__ */ new WeakMap();
function findOddPairs(scene) {
  if (scene.nodes.length < LEAST_PARTS2) return [];
  const low = Math.min(...scene.nodeBoxes.map(({ min }) => min[0]));
  const high = Math.max(...scene.nodeBoxes.map(({ max }) => max[0]));
  const at = /* @__PURE__ */ new Map();
  scene.nodes.forEach((spec, node) => {
    if (spec.kind === "part") at.set(placeKey(spec.parts[0], middle(scene.nodeBoxes[node])), node);
  });
  const odd = [];
  let mirrored2 = 0;
  scene.nodes.forEach((spec, node) => {
    if (spec.kind !== "part") return;
    const [x, y, z] = middle(scene.nodeBoxes[node]);
    const other = at.get(placeKey(spec.parts[0], [low + high - x, y, z]));
    if (other === void 0) return;
    if (isMirrorOf(spec.parts[0], scene.nodes[other].parts[0])) mirrored2++;
    else if (node < other) odd.push([node, other]);
  });
  return mirrored2 >= SYMMETRIC2 * scene.nodes.length ? odd : [];
}
var placeKey = ({ shape, colour: colour2 }, at) => `${shape.id} ${colour2} ${at.join()}`;
function isMirrorOf(a, b) {
  return outlineOf2(a.shape, flipped(a.pose.matrix)) === outlineOf2(b.shape, b.pose.matrix);
}
var FLIP = [-1, 0, 0, 0, 1, 0, 0, 0, 1];
var flips = /* @__PURE__ */ new WeakMap();
function flipped(matrix) {
  let flip = flips.get(matrix);
  if (!flip) flips.set(matrix, flip = multiply(FLIP, matrix));
  return flip;
}
var outlines = /* @__PURE__ */ new WeakMap();
function outlineOf2(shape, matrix) {
  let known21 = outlines.get(shape);
  if (!known21) outlines.set(shape, known21 = /* @__PURE__ */ new WeakMap());
  let text = known21.get(matrix);
  if (text === void 0) known21.set(matrix, text = outlineText(shape, matrix));
  return text;
}
function outlineText(shape, matrix) {
  const facets = shape.mesh.map(({ normal, corners }) => {
    const seen2 = apply(matrix, normal).map((value) => Math.round(value * 100) + 0);
    const sum = corners.reduce((all2, corner4) => [all2[0] + corner4[0], all2[1] + corner4[1], all2[2] + corner4[2]], [0, 0, 0]);
    const from = apply(matrix, sum.map((value, k) => value / corners.length - shape.box[k] / 2));
    return `${seen2.join()}@${from.map((value) => Math.round(value * 10) + 0).join()}`;
  });
  return facets.sort().join(" ");
}

// src/core/checks/strained.ts
function strained(built, school = SCHOOLS.usual) {
  return [...found(built)].flatMap(([technique, pairs]) => {
    const verdict = school[technique];
    if (verdict === "allowed") return [];
    const { title, reason } = TECHNIQUES[technique];
    return pairs.map((nodes) => {
      const ids = idsOf(built, nodes);
      const step2 = Math.max(...nodes.map((node) => stepNumber(built, node) ?? 0)) || null;
      const message = `${title}: ${nameParts(ids)}. ${reason}`;
      return { ...finding("strained", { section: built.base, step: step2, parts: ids }, message), severity: verdict };
    });
  });
}
var known19 = /* @__PURE__ */ new WeakMap();
function found(built) {
  let techniques = known19.get(built.scene);
  if (!techniques) {
    techniques = /* @__PURE__ */ new Map([
      ["stud-in-hole", studsInHoles(built)],
      ["plate-between-studs", platesBetweenStuds(built.scene)],
      ["slopes-nose-to-nose", nosesTogether(built.scene)],
      ["off-the-lattice", missedJoints(built)]
    ]);
    known19.set(built.scene, techniques);
  }
  return techniques;
}
var Pairs = class {
  seen = /* @__PURE__ */ new Set();
  list = [];
  add(a, b) {
    const pair = a < b ? [a, b] : [b, a];
    if (a === b || this.seen.has(pair.join())) return;
    this.seen.add(pair.join());
    this.list.push(pair);
  }
};
function studsInHoles({ scene, joints }) {
  const pairs = new Pairs();
  joints.list.forEach(({ a, b, hold }, joint) => {
    if (hold !== HOLD.stud) return;
    for (let i = joints.held.start[joint]; i < joints.held.start[joint + 1]; i++) {
      const holder = scene.parts[joints.held.socketPart[i]];
      const at = [0, 1, 2].map((k) => joints.held.places[i * 3 + k]);
      const isMouth = holder.shape.connectors.some(
        (connector) => connector.kind === "mouth" && posed(holder.pose, connector.at).every((value, k) => Math.abs(value - at[k]) < 0.5)
      );
      if (isMouth) pairs.add(a, b);
    }
  });
  return pairs.list;
}
var BENDS = 0.05;
function missedJoints({ joints }) {
  const pairs = new Pairs();
  for (const { a, b, miss } of joints.list) if (miss > BENDS) pairs.add(a, b);
  return pairs.list;
}
var keyOf4 = (v) => v.map((value) => value + 0).join();
function nosesTogether(scene) {
  const pairs = new Pairs();
  const noses = /* @__PURE__ */ new Map();
  scene.parts.forEach((placed, part2) => {
    const { shape, pose } = placed;
    if (shape.family !== "low slope" || !isLatticePose(pose)) return;
    const way = apply(pose.matrix, [0, -1, 0]);
    const up = apply(pose.matrix, [0, 0, 1]);
    for (let x = STUD_PITCH / 2; x < shape.box[0]; x += STUD_PITCH) {
      const place = `${keyOf4(posed(pose, [x, 0, 0]))} ${keyOf4(up)}`;
      const other = noses.get(`${place} ${keyOf4(apply(pose.matrix, [0, 1, 0]))}`);
      if (other !== void 0) pairs.add(scene.partNode[part2], other);
      noses.set(`${place} ${keyOf4(way)}`, scene.partNode[part2]);
    }
  });
  return pairs.list;
}
var ON_EDGE = /* @__PURE__ */ new Set(["plate", "tile"]);
function platesBetweenStuds(scene) {
  const pairs = new Pairs();
  const edges = scene.parts.flatMap((placed, part2) => standsOnEdge(placed) ? [part2] : []);
  if (edges.length === 0) return [];
  const studs = uprightStuds(scene);
  for (const part2 of edges) {
    const { shape, pose } = scene.parts[part2];
    const corners = [posed(pose, [0, 0, 0]), posed(pose, shape.box)];
    const low = [0, 1, 2].map((k) => Math.min(corners[0][k], corners[1][k]));
    const high = [0, 1, 2].map((k) => Math.max(corners[0][k], corners[1][k]));
    const across = high[0] - low[0] === PLATE_HEIGHT ? 0 : 1;
    const along = across === 0 ? 1 : 0;
    for (let at = low[along]; at <= high[along]; at += STUD_PITCH / 2) {
      const beside = [-1, 1].map((side) => {
        const place = [0, 0, low[2]];
        place[across] = low[across] + PLATE_HEIGHT / 2 + side * STUD_PITCH / 2;
        place[along] = at;
        return studs.get(place.join());
      });
      const here = scene.partNode[part2];
      if (beside.every((node) => node !== void 0 && node !== here)) pairs.add(here, beside[0]);
    }
  }
  return pairs.list;
}
function standsOnEdge({ shape, pose }) {
  if (!ON_EDGE.has(shape.family) || !isLatticePose(pose)) return false;
  return axisOf(directionOf(apply(pose.matrix, DIRECTION_VECTORS[PLUS_Z]))) !== 2;
}
function uprightStuds(scene) {
  const studs = /* @__PURE__ */ new Map();
  scene.parts.forEach(({ shape, pose }, part2) => {
    if (!isLatticePose(pose)) return;
    for (const { kind, at, facing } of shape.connectors) {
      if (kind !== "stud" || apply(pose.matrix, DIRECTION_VECTORS[facing])[2] !== 1) continue;
      studs.set(add(posed(pose, at), [0, 0, 0]).join(), scene.partNode[part2]);
    }
  });
  return studs;
}

// src/core/checks/checks.ts
function findFindings(model2, planned, looks2, level = "home", school = SCHOOLS.usual) {
  const standing = standingSections(model2);
  const byId = new Map(planned.built.map((built) => [built.id, built]));
  const findings = planned.built.flatMap((built, i) => [
    ...built.derivedFrom === void 0 ? [...overlaps(built), ...mirrorTwins(model2, built), ...looseParts(model2, built)] : [],
    ...steps(built),
    ...lostLocks(built),
    ...built.derivedFrom === void 0 ? [] : largeUnit(built, byId.get(built.derivedFrom)),
    ...blocked(built),
    ...holding(built),
    ...hidden(built, looks2?.[i] ?? []),
    ...weakJoints(built, level),
    ...straightSeams(built),
    ...standing.has(built.id) ? tipsOver(built, built.id === model2.root) : [],
    ...alikeColours(model2, built),
    ...strained(built, school),
    ...turnTraps(model2, built, looks2?.[i] ?? []),
    ...lostPlaces(model2, built),
    ...built.id === model2.root ? [...lightGaps(built), ...neverSeen(model2, built)] : []
  ]);
  const rank = ["error", "warning", "note"];
  return findings.map((found2, i) => ({ found: found2, i })).sort((a, b) => rank.indexOf(a.found.severity) - rank.indexOf(b.found.severity) || a.i - b.i).map(({ found: found2 }) => found2);
}
function standingSections(model2) {
  const copies = model2.sections.flatMap(copiesOf);
  const upright = new Set(copies.filter((copy2) => !copy2.joint && !copy2.rotate).map((copy2) => copy2.section));
  const used = new Set(copies.map((copy2) => copy2.section));
  return new Set(model2.sections.map(({ id: id2 }) => id2).filter((id2) => upright.has(id2) || !used.has(id2)));
}
function overlaps(built) {
  const { scene, joints } = built;
  const byNodes = /* @__PURE__ */ new Map();
  for (const { a, b } of overlapsOf(scene, joints)) {
    const nodes = [scene.partNode[a], scene.partNode[b]];
    const entry = byNodes.get(nodes.join()) ?? { paths: [], nodes };
    entry.paths.push(scene.parts[a].path, scene.parts[b].path);
    byNodes.set(nodes.join(), entry);
  }
  return [...byNodes.values()].map(({ nodes, paths }) => {
    const step2 = Math.max(...nodes.map((node) => stepNumber(built, node) ?? 0)) || null;
    const ids = idsOf(built, nodes);
    const inside = paths.length > 2 || paths.some((path2) => path2.includes("/")) ? ` They meet at ${nameParts([...new Set(paths)])}.` : "";
    return finding("overlap", { section: built.base, step: step2, parts: ids }, `${nameParts(ids)} share space.${inside} Move one of them.`);
  });
}
var known20 = /* @__PURE__ */ new WeakMap();
function overlapsOf(scene, joints) {
  let found2 = known20.get(scene);
  if (!found2) known20.set(scene, found2 = findOverlaps(scene, joints));
  return found2;
}
function mirrorTwins(model2, built) {
  return copiesOf(sectionById(model2, built.base)).flatMap((copy2) => {
    if (copy2.mirror === void 0) return [];
    const node = built.scene.nodes.findIndex((spec) => spec.kind === "copy" && spec.id === copy2.id);
    const parts = built.scene.nodes[node]?.parts ?? [];
    const lacking = [...new Set(parts.filter((placed) => placed.lacksTwin).map((placed) => placed.shape.id))];
    if (lacking.length === 0) return [];
    const { shapes } = catalogueOf(model2);
    const titles = lacking.map((id2) => shapes.get(id2).title);
    return [
      finding(
        "no-mirror-twin",
        { section: built.base, step: node < 0 ? null : stepNumber(built, node), parts: [copy2.id] },
        `The mirrored copy \u201C${copy2.id}\u201D needs the mirror image of ${titles.join(", ")}, which does not exist. Use another shape there, or build that side by itself.`
      )
    ];
  });
}
function looseParts(model2, built) {
  const loose = looseOf(partsOf(sectionById(model2, built.base)));
  if (loose.length === 0) return [];
  const ids = loose.map((part2) => part2.id);
  const message = `${nameParts(ids)} ${ids.length === 1 ? "is" : "are"} counted but ${ids.length === 1 ? "has" : "have"} no position, so nothing about ${ids.length === 1 ? "its" : "their"} place is checked.`;
  return [finding("loose", { section: built.base, step: null, parts: ids }, message)];
}
var looseLists = /* @__PURE__ */ new WeakMap();
function looseOf(parts) {
  let loose = looseLists.get(parts);
  if (!loose) looseLists.set(parts, loose = parts.filter(isLoose));
  return loose;
}
function steps(built) {
  const found2 = [];
  if (built.missing.length > 0) {
    const message = `No step adds ${nameParts(built.missing)}. Put ${built.missing.length === 1 ? "it" : "them"} into a step.`;
    found2.push(finding("step-missing", { section: built.id, step: null, parts: built.missing }, message));
  }
  for (const { id: id2, step: step2 } of built.twice) {
    const message = `Step ${step2 + 1} adds \u201C${id2}\u201D again. Take it out of one of its steps.`;
    found2.push(finding("step-twice", { section: built.id, step: step2 + 1, parts: [id2] }, message));
  }
  return found2;
}
function lostLocks({ base: base2, lostLocks: lost }) {
  return (lost ?? []).map(({ ids, because }) => {
    const reason = because.length === 0 ? "its parts do not go in one after another" : `${nameParts(because)} must come into the middle of it`;
    const message = `The locked step with ${nameParts(ids)} could not be kept: ${reason}. Unlock it, or lock the parts in between with it.`;
    return finding("lock-lost", { section: base2, step: null, parts: [...ids, ...because] }, message);
  });
}
function blocked(built) {
  const name2 = (node) => built.scene.nodes[node].id;
  return built.blocks.map(({ node, blockers, knot }) => {
    const id2 = name2(node);
    const ways = blockers.map(({ travel, by }) => `${wayInWords(travel)} \u201C${name2(by)}\u201D is in the way`);
    const [core, keys] = [(knot?.core ?? []).map(name2), (knot?.keys ?? []).map(name2)];
    const parts = [.../* @__PURE__ */ new Set([...keys, id2, ...blockers.map(({ by }) => name2(by)), ...core])];
    const reason = ways.length === 0 ? "no order leaves everything held" : ways.join("; ");
    return finding(
      "blocked",
      { section: built.id, step: stepNumber(built, node), parts },
      `There is no way in for \u201C${id2}\u201D: ${reason}. ${blockedAdvice(built, core, keys)}`
    );
  });
}
function blockedAdvice(built, core, keys) {
  if (core.length === 0)
    return built.frame ? "Take one of them out, or swap it for shorter pieces." : "Add it in an earlier step, or build it into a section of its own.";
  const knot = `${nameParts(core)} lock each other.`;
  if (keys.length === 0) return `${knot} Take more than one of them out, or swap them for shorter pieces.`;
  return `${knot} Without ${keys.length === 1 ? nameParts(keys) : `one of ${nameParts(keys)}`} the others come apart: leave it for later, or swap it for shorter pieces.`;
}
function holding(built) {
  return built.holding.problems.map(({ code, step: step2, nodes }) => {
    const ids = idsOf(
      built,
      [...nodes].sort((a, b) => a - b)
    );
    const message = code === "unheld" ? `Nothing holds ${nameParts(ids)}. Connect ${ids.length === 1 ? "it" : "them"} to the rest, or make ${ids.length === 1 ? "it" : "them"} a section.` : `${nameParts(ids)} lie${ids.length === 1 ? "s" : ""} loose on the table for more than three steps. Add what holds ${ids.length === 1 ? "it" : "them"} sooner.`;
    return finding(code, { section: built.id, step: step2 + 1, parts: ids }, message);
  });
}
function hidden(built, looks2) {
  return looks2.flatMap(({ shares }, i) => {
    if (!shares.includes(0)) return [];
    const unseen = (built.steps[i] ?? []).filter((_, k) => shares[k] === 0);
    if (unseen.length === 0) return [];
    const ids = idsOf(built, unseen);
    const message = `${nameParts(ids)} cannot be seen in the picture of this step. Add ${ids.length === 1 ? "it" : "them"} before what hides ${ids.length === 1 ? "it" : "them"}.`;
    return [finding("hidden", { section: built.id, step: i + 1, parts: ids }, message)];
  });
}

// src/core/checks/report.ts
function reportModel(model2, options = {}, cache, lookCache = /* @__PURE__ */ new WeakMap()) {
  const limits = options.limits ?? NORMAL_LIMITS;
  const refine = (built) => {
    const seen2 = lookAndRepair(built, { limits });
    lookCache.set(seen2.built, seen2.looks);
    return seen2.built;
  };
  const planned = planModel(model2, { ...options, refine }, cache);
  const looks2 = planned.built.map((built) => forAllSteps(lookCache.get(built), built));
  const shares = looks2.map((steps2) => steps2.map((step2) => step2.shares));
  const report2 = {
    ...planned.plan,
    measures: measurePlan(planned.built, shares),
    findings: findFindings(model2, planned, looks2, options.level, options.school)
  };
  return { report: report2, planned, looks: looks2 };
}
function forAllSteps(looks2, { looseParts: looseParts2 }) {
  const more = looseParts2.length - looks2.length;
  return more > 0 ? [...looks2, ...Array.from({ length: more }, () => ({ view: 0, shares: [] }))] : looks2;
}
var viewsOf2 = (looks2) => looks2.map((steps2) => steps2.map((look) => look.view));

// bench/tmpall.ts
var model = readModelText(readFileSync(`demo/models/${process.argv[2]}.rail.json`, "utf8"));
var { report, looks } = reportModel(model);
var views = viewsOf2(looks);
var [tp, td, sp, sd, n, none] = [0, 0, 0, 0, 0, 0];
var big = [];
for (const [i, s] of report.sections.entries()) {
  const sec = drawnSection(model, new Flattener(model), report.sections, s.id);
  const p = new RailPainter(sec, catalogueOf(model), { width: 800, height: 600 });
  for (let k = 0; k < s.steps.length; k++) {
    const v = views[i]?.[k] ?? 0;
    let t = performance.now();
    const img = p.paint(k, v);
    tp += performance.now() - t;
    sp += (await deflateRows(img)).length;
    t = performance.now();
    const d = p.draw(k, v);
    const ms = performance.now() - t;
    td += ms;
    n++;
    if (!d) none++;
    else {
      const z = deflateSync(writeSvg(d)).length;
      sd += z;
      if (ms > 300) big.push(`${s.id} ${k + 1} ${ms.toFixed(0)}ms ${z}`);
    }
  }
}
console.log(process.argv[2], "steps", n, "paint ms", (tp / n).toFixed(0), "draw ms", (td / n).toFixed(0), "png KB", (sp / n / 1024).toFixed(0), "vec KB", (sd / n / 1024).toFixed(0), "none", none, big.join("; "));
