// Judging, version 2: frozen. Written by npm run freeze-judging; nothing here may change.

// core/errors/index.ts
var ERRORS = {
  "bad-input": { status: 400, title: "The request has faults", detail: "Some fields are missing, unknown or out of range; each is named." },
  "bad-json": { status: 400, title: "The request body is not JSON", detail: "Send one JSON object as application/json." },
  "unsupported-media": { status: 415, title: "This kind of body is not read here", detail: "Send application/json." },
  "body-too-large": { status: 413, title: "The request body is too large", detail: "The limit is 256 kB." },
  "unknown-knot": { status: 404, title: "No such knot in the catalogue", detail: 'There is no knot "{knot}". GET /api/v1/knots lists them.' },
  "unknown-fault": { status: 400, title: "This knot has no such fault", detail: 'The knot "{knot}" has no shape for the fault "{fault}".' },
  "unknown-way": { status: 404, title: "This knot has no such way of tying", detail: 'The knot "{knot}" has no way "{way}".' },
  "unknown-profile": { status: 404, title: "No such practice profile", detail: 'There is no profile "{profile}" here, or not in that version.' },
  "no-object-form": { status: 400, title: "This knot has no form on that object", detail: 'The knot "{knot}" is not stored on the object "{object}".' },
  "no-companion-form": { status: 400, title: "The knot is not stored with that other knot", detail: 'There is no form of "{knot}" with "{companion}".' },
  "unknown-variant": { status: 404, title: "No such variant of this knot", detail: 'The knot "{knot}" has no variant "{variant}".' },
  "no-wraps-form": { status: 400, title: "The knot is not stored with that many wraps", detail: 'The knot "{knot}" has no form with {wraps} wraps.' },
  "not-found": { status: 404, title: "Not found", detail: "There is nothing here, or it belongs to another organisation." },
  "method-not-allowed": { status: 405, title: "This address does not take that method", detail: "See /api/docs." },
  "not-signed-in": { status: 401, title: "Sign in first", detail: "This needs a session." },
  "wrong-password": { status: 401, title: "Name or password do not match", detail: "Nothing was changed." },
  "role-missing": { status: 403, title: "Your roles do not allow this", detail: "It needs one of: {roles}." },
  "cross-site": { status: 403, title: "The request came from another site", detail: "Only pages of this server may change data." },
  "too-many-requests": { status: 429, title: "Too many requests", detail: "Wait {seconds} s and try again." },
  "too-many-tries": { status: 429, title: "Too many wrong passwords", detail: "Wait {seconds} s and try again." },
  "id-taken": { status: 409, title: "This id already stands for something else", detail: "The same id was sent with another content. Nothing was changed." },
  "signer-not-second": { status: 409, title: "This person cannot be the second signer", detail: "The second signer is neither the one who tied the knot, nor the first checker, nor who corrected the check." },
  "already-signed": { status: 409, title: "This check is signed already", detail: "It has a second signature." },
  "finding-open": { status: 409, title: "This knot is to be taken out and retied", detail: "The finding on it is open: say what was done about it first. Tied again it is a new knot." },
  "reason-needed": { status: 409, title: "Another knot in this rope is to be taken out", detail: "Open at: {places}. Say in writing why the rest of the rope is used (despite_open_finding)." },
  "rope-not-for-life": { status: 409, title: "This rope is not for a life load", detail: "{tag} is {state}." },
  "round-finished": { status: 409, title: "This round is finished", detail: "Nothing more is added to it: begin it anew." },
  "no-pin": { status: 409, title: "This person has no PIN", detail: "They set one under their own name, or sign with their password." },
  "pin-locked": { status: 429, title: "Too many wrong PINs", detail: "Wait {seconds} s, or sign on a device of one\u2019s own. The wrong ones are recorded." },
  "wrong-pin": { status: 401, title: "The PIN does not match", detail: "It is recorded. Nothing else was changed." },
  "last-instructor": { status: 409, title: "Somebody has to be instructor", detail: "This is the last one of the organisation." },
  "already-closed": { status: 409, title: "This finding is closed already", detail: "An entry says what was done." },
  "nothing-open": { status: 409, title: "There is no open finding on this check", detail: "Only a check with the verdict Take out and retie has one." },
  "profile-superseded": { status: 409, title: "The rules have a newer version", detail: "The check was begun under {profile}; look at it again under the version in force." },
  "short-look-not-allowed": { status: 409, title: "No short look at this knot", detail: 'The rule set allows no short look at the knot "{knot}": look at all its points.' },
  "busy": { status: 503, title: "The database is busy", detail: "Nothing was stored; send the same request again." },
  "database-away": { status: 503, title: "The database cannot be reached", detail: "Nothing was stored; send the same request again in a moment." },
  "internal": { status: 500, title: "A fault of the program", detail: "It was noted in the log with number {number}." },
  "shape-not-finite": { status: 400, title: "The shape has values that are not numbers", detail: "Every point needs three finite numbers." },
  "too-few-points": { status: 400, title: "The shape has too few points", detail: "An open line needs two different points, a closed one three." },
  "too-many-points": { status: 400, title: "The shape has too many points", detail: "At most {most} points are looked at." },
  "strands-touch": { status: 400, title: "Two strands touch or pass through each other", detail: "Strands that touch are no knot: over and under cannot be told." },
  "view-not-regular": { status: 400, title: "The shape cannot be seen apart from there", detail: "A point lies exactly on another strand in this view." },
  "too-many-crossings": { status: 400, title: "The shape has too many crossings", detail: "Even at its simplest it shows more than {most} crossings." },
  "bend-too-tight": { status: 400, title: "The path bends too tightly to be doubled", detail: "Its sharpest bend has a radius of {radius}, the strands lie {half} to either side." },
  "ends-not-joined": { status: 400, title: "The ends are not joined", detail: "Only closed lines have these figures; join the ends first." },
  "eye-not-found": { status: 400, title: "The eye cannot be cut open", detail: "The mark of the eye does not lie inside the rope, or its legs cannot be led out." },
  "no-such-crossing": { status: 400, title: "There is no such crossing", detail: "There is no crossing {crossing}; the diagram has {count}." },
  "bad-code": { status: 400, title: "This is no signed Gauss code", detail: "The code cannot be read: {reason}." },
  "code-not-planar": { status: 400, title: "The code cannot be drawn", detail: "No knot drawn in a plane has this code." },
  "bad-specimen": { status: 400, title: "This cannot be looked at as a knot", detail: "The shape cannot be used: {reason}." },
  "faces-differ": { status: 400, title: "The two faces do not agree", detail: "The code of the back is not that of the front seen from behind: look at both again." },
  "solver-passed-through": { status: 500, title: "The rope computation was thrown away", detail: "A strand may have passed through another." },
  "not-a-number": { status: 400, title: "A value is not a number", detail: '"{field}" must be a finite number{range}.' }
};
var IdiomError = class extends Error {
  constructor(code, values = {}, errors = []) {
    super(ERRORS[code].detail.replace(/\{(\w+)\}/g, (_, name) => String(values[name] ?? "")));
    this.code = code;
    this.values = values;
    this.errors = errors;
    this.name = "IdiomError";
    this.status = ERRORS[code].status;
  }
  code;
  values;
  errors;
  status;
};
function fault(code, values = {}, errors = []) {
  return new IdiomError(code, values, errors);
}
function finite(field, value, min = -Infinity, max = Infinity) {
  if (!Number.isFinite(value) || value < min || value > max)
    throw fault("not-a-number", { field, range: Number.isFinite(min) || Number.isFinite(max) ? ` from ${min} to ${max}` : "" });
  return value;
}

// core/knots/facts/uses.ts
var PURPOSES = [
  "tie-in",
  "end-loop",
  "two-eyes",
  "midline",
  "join",
  "join-to-pass",
  "join-to-retrieve",
  "sling",
  "cord-loop",
  "hitch-object",
  "tether",
  "handle",
  "friction",
  "belay",
  "releasable",
  "stopper",
  "isolate-damage",
  "tension-eye"
];
var USES = [
  ...PURPOSES,
  "termination",
  "backup",
  "lashing",
  "friction-climb",
  "friction-backup",
  "friction-escape",
  "friction-both"
];
var CLOSER = {
  friction: ["friction-climb", "friction-backup", "friction-escape", "friction-both"]
};
var isAmong = (uses, use) => uses.some((u) => u === use || (CLOSER[u]?.includes(use) ?? false));
var ALSO = {
  "half-hitches": ["backup"],
  "buntline-hitch": ["termination"],
  "barrel-noose": ["termination"],
  "two-strand-backup": ["backup"],
  "tie-in-stopper": ["backup"]
};
var usesOf = (knot) => [...knot.purposes, ...ALSO[knot.id] ?? []].flatMap((u) => [u, ...CLOSER[u] ?? []]);
var IN_THE_MIDDLE = ["midline", "isolate-damage"];
var isInTheMiddle = (use) => IN_THE_MIDDLE.includes(use);
var PART_OF_IT = {
  "slipped-eight": ["half-hitch-behind"],
  "munter-mule-overhand": ["overhand-behind"]
};
var partsOf = (knot) => PART_OF_IT[knot.id] ?? [];
var GOES_WITH = [
  { companion: "stopper-in-tag", knots: ["end-loop", "noose"], uses: ["tether", "termination"] },
  { companion: "stopper-in-tag", knots: ["noose"], uses: ["hitch-object"] },
  { companion: "stopper-behind", knots: ["end-loop"], uses: ["tie-in", "end-loop", "hitch-object"] },
  { companion: "two-strand-backup", knots: ["end-loop"], uses: ["tie-in", "end-loop", "hitch-object"] },
  {
    companion: "backed-both-sides",
    knots: ["water-knot", "figure-eight-bend"],
    uses: ["sling", "join", "cord-loop"]
  }
];
var companionsFor = (knot, use) => [
  ...partsOf(knot),
  ...GOES_WITH.flatMap(
    (g) => isAmong(g.uses, use) && (g.knots.includes(knot.id) || g.knots.includes(knot.family)) ? [g.companion] : []
  )
];

// core/profiles/rules.ts
var named = (of, layer, r) => ({ id: r.rule, layer, text: r.text, source: r.source, profile: of.id, version: of.version });
var fits = (a, entry, use, rope_kind) => (a.knots.includes(entry.id) || a.knots.includes(entry.family) || a.knots.includes("any")) && (a.uses === void 0 || isAmong(a.uses, use)) && (a.rope_kinds === void 0 || rope_kind === void 0 || a.rope_kinds.includes(rope_kind));
var closeness = (a, entry) => (a.knots.includes(entry.id) ? 4 : a.knots.includes(entry.family) ? 2 : 0) + (a.uses ? 1 : 0);
function askedOf(rules, entry, use, kind, rope_kind) {
  const layers = [
    { of: rules.profile, layer: "school", asked: rules.profile.also ?? [] },
    ...rules.common ? [{ of: rules.practice, layer: "common", asked: rules.practice.asked }] : []
  ];
  return layers.flatMap(
    ({ of, layer, asked }) => asked.filter((a) => a.asks?.kind === kind && fits(a, entry, use, rope_kind)).sort((a, b) => closeness(b, entry) - closeness(a, entry)).map((a) => ({ asks: a.asks, rule: named(of, layer, a) }))
  );
}
function ruleOfPoint(rules, entry, use, point) {
  return askedOf(rules, entry, use, "point").find((a) => a.asks.points.includes(point))?.rule ?? null;
}
function companionsAsked(rules, entry, use, rope_kind) {
  const { profile } = rules;
  const behind = profile.stopperBehindTieIn;
  const possible = companionsFor(entry, use).filter((c) => !partsOf(entry).includes(c));
  const standing = profile.tieIn.find((k) => k.knot === entry.id);
  const all = [
    ...use === "tie-in" && behind.knots.includes(entry.id) && behind.asked !== "not-asked" ? [
      {
        companions: [behind.companion ?? "stopper-behind"],
        how: behind.asked,
        rule: named(profile, "school", { ...behind, rule: behind.rule ?? "stopper" })
      }
    ] : [],
    ...standing && standing.says !== "named" && possible.includes("stopper-behind") ? [
      {
        companions: ["stopper-behind", "two-strand-backup"],
        how: standing.says === "only-with-stopper" ? "required" : "advised",
        rule: named(profile, "school", standing)
      }
    ] : [],
    ...askedOf(rules, entry, use, "companion", rope_kind).map(({ asks, rule }) => ({
      companions: asks.companions,
      how: asks.how,
      rule
    }))
  ];
  const order = ["required", "advised", "optional"];
  const said = new Set(all.flatMap((a) => a.companions));
  return [
    ...all.filter((a) => a.companions.some((c) => possible.includes(c))),
    ...possible.filter((c) => !said.has(c)).map((c) => ({ companions: [c], how: "optional", rule: null }))
  ].sort((a, b) => order.indexOf(a.how) - order.indexOf(b.how));
}
function companionsTied(rules, entry, use, tied, rope_kind) {
  const possible = companionsFor(entry, use);
  const strange = tied.find((c) => !possible.includes(c));
  if (strange !== void 0)
    throw fault("bad-input", {}, [
      {
        path: "companions",
        message: `"${strange}" is not tied to this knot in that use${possible.length > 0 ? `: ${possible.join(", ")}` : ""}`
      }
    ]);
  const all = [...new Set(tied)];
  for (const a of companionsAsked(rules, entry, use, rope_kind))
    if (a.how === "required" && !all.some((c) => a.companions.includes(c))) all.push(a.companions[0]);
  return all;
}
var PULL_OF_USE = {
  "tie-in": "standing-eye",
  "end-loop": "standing-eye",
  "two-eyes": "standing-eye",
  midline: "standing-eye",
  tether: "standing-eye",
  "hitch-object": "standing-eye",
  termination: "standing-eye",
  belay: "standing-eye",
  "tension-eye": "standing-eye",
  "isolate-damage": "through",
  join: "through",
  "join-to-pass": "through",
  "join-to-retrieve": "through",
  "cord-loop": "through",
  sling: "through",
  stopper: "through",
  friction: "down",
  "friction-climb": "down",
  "friction-backup": "down",
  "friction-escape": "down",
  "friction-both": "up"
};
function refusalOf(rules, entry, use) {
  const { practice } = rules;
  const own = practice.refused.find((r) => r.knots.includes(entry.id) && (r.uses === "any" || isAmong(r.uses, use)));
  if (own) return named(practice, "common", own);
  const pull = PULL_OF_USE[use];
  const does = entry.pulls.find((p) => p.pull === pull);
  if (does?.grade === "fails")
    return named(practice, "common", {
      rule: "CP-U8",
      text: `pulled as this use pulls it, it fails: ${does.what_happens}`,
      source: does.source
    });
  if (!usesOf(entry).includes(use))
    return named(practice, "common", {
      rule: "CP-U9",
      text: "it is not made for that",
      source: "practice"
    });
  return null;
}

// core/profiles/tail.ts
var DEFAULT_FIST_MM = 100;
var FIST_RANGE_MM = [70, 120];
function requiredLength_mm(rule, ropeDiameter_mm, fist_mm) {
  const parts = [
    rule.ropeDiameters === void 0 ? null : rule.ropeDiameters * ropeDiameter_mm,
    rule.fixed_mm ?? null,
    rule.fists === void 0 ? null : rule.fists * fist_mm
  ].filter((v) => v !== null);
  return rule.noLength || parts.length === 0 ? null : Math.max(...parts);
}
function againstLimits(low_mm, high_mm, required_mm, max_mm) {
  const short = high_mm < required_mm;
  const long = !short && max_mm !== null && low_mm > max_mm;
  const within = low_mm >= required_mm && (max_mm === null || high_mm <= max_mm);
  const margin = long ? max_mm - low_mm : Math.min(low_mm - required_mm, max_mm === null || short ? Infinity : max_mm - high_mm);
  return {
    verdict: short ? "short" : long ? "long" : within ? "enough" : "not-measured",
    margin_mm: Math.floor(margin)
  };
}

// core/profiles/lengths.ts
var isFor = (rule, entry) => rule.for.includes(entry.id) || rule.for.includes(entry.family) || rule.for.includes("any");
function schoolsUse(rule, { entry, use }) {
  if (rule.use === "any") return use !== "stopper" || rule.for.includes(entry.id);
  return isAmong([rule.use === "rope-end" ? "stopper" : rule.use], use);
}
function ofSchool(profile, c) {
  const tied = c.companions.length > 0;
  return profile.lengths.filter((r) => isFor(r, c.entry) && schoolsUse(r, c)).filter((r) => r.stopper === void 0 || r.stopper === tied).filter((r) => r.kind === c.kind || tied && r.kind === "tail" && r.for.includes("any")).map((r) => ({
    layer: "school",
    profile,
    id: r.id,
    text: r.text,
    source: r.source,
    kind: c.kind,
    required_mm: requiredLength_mm(r, c.diameter_mm, c.fist_mm),
    recommended_mm: null,
    max_mm: r.max_mm ?? null,
    special: r.for.includes(c.entry.id) && r.use !== "any"
  }));
}
var closeness2 = (r, { entry }) => (r.for.includes(entry.id) ? 4 : r.for.includes(entry.family) ? 2 : 0) + (r.uses === "any" ? 0 : 1);
function ofCommonPractice({ practice }, c) {
  const rules = practice.lengths.filter(
    (r) => isFor(r, c.entry) && (r.uses === "any" || isAmong(r.uses, c.use)) && r.kind === c.kind && (r.with === void 0 || r.with.some((w) => c.companions.includes(w)))
  );
  const closest = Math.max(...rules.map((r) => closeness2(r, c)));
  return rules.filter((r) => closeness2(r, c) === closest).map((r) => ({
    layer: "common",
    profile: practice,
    id: r.id,
    text: r.text,
    source: r.source,
    kind: r.kind,
    required_mm: requiredLength_mm(r, c.diameter_mm, c.fist_mm),
    recommended_mm: r.recommended_mm ?? null,
    max_mm: r.max_mm ?? null,
    special: false
  }));
}
function rulings(rules, c) {
  const school = ofSchool(rules.profile, c);
  const silenced = school.some((r) => r.special && r.required_mm !== null);
  return rules.common && !silenced ? [...school, ...ofCommonPractice(rules, c)] : school;
}
var hasTail = (entry, use) => entry.check_points.some((p) => p.id === "tail") && !isInTheMiddle(use);
var NOTHING = {
  "no end": "no tail is asked: the rope goes on, or its ends belong to other knots",
  silent: "this rule set says nothing about this length on this knot"
};
function answerFor(rules, c, { between: between2 }) {
  const { use } = c;
  const { profile } = rules;
  const all = hasTail(c.entry, use) ? rulings(rules, c) : [];
  const asking = all.filter((r) => r.required_mm !== null);
  const said = asking.length > 0 ? asking.reduce((a, b) => b.required_mm > a.required_mm ? b : a) : all[0] ?? null;
  const greatest_mm = asking.flatMap((r) => r.max_mm === null ? [] : [r.max_mm]);
  const max_mm = greatest_mm.length > 0 ? Math.min(...greatest_mm) : null;
  const required_mm = said?.required_mm ?? null;
  const base = {
    use,
    length_kind: c.kind,
    required_mm,
    recommended_mm: said?.recommended_mm ?? null,
    max_mm,
    rule: said ? {
      id: said.id,
      text: said.text,
      source: said.source,
      profile: said.profile.id,
      version: said.profile.version,
      layer: said.layer
    } : {
      id: "none",
      text: NOTHING[hasTail(c.entry, use) ? "silent" : "no end"],
      source: "practice",
      profile: profile.id,
      version: profile.version,
      layer: null
    }
  };
  if (required_mm === null) return { ...base, verdict: "no-rule", margin_mm: null };
  if (!between2) return { ...base, verdict: "not-measured", margin_mm: null };
  const { verdict, margin_mm } = againstLimits(between2.low_mm, between2.high_mm, required_mm, max_mm);
  return { ...base, verdict, margin_mm: Number.isFinite(margin_mm) ? margin_mm : null };
}
function lengthAsked(rules, entry, q) {
  const companions = (q.companions ?? []).filter((c) => !partsOf(entry).includes(c));
  const diameter_mm = finite("rope_diameter_mm", q.rope_diameter_mm, 2, 40);
  const fist_mm = finite("fist_mm", q.fist_mm ?? DEFAULT_FIST_MM, ...FIST_RANGE_MM);
  const of = (use) => {
    const kind = use === "stopper" || companions.length > 0 ? "beyond_stopper" : "tail";
    return answerFor(rules, { entry, use, companions, kind, diameter_mm, fist_mm }, q);
  };
  if (q.use !== void 0) return of(q.use);
  const uses = usesOf(entry);
  const open = uses.filter((use) => refusalOf(rules, entry, use) === null);
  return (open.length > 0 ? open : uses).map(of).reduce((a, b) => (b.required_mm ?? -1) > (a.required_mm ?? -1) ? b : a);
}

// core/knots/facts/composed.ts
var COMPOSED = {
  "figure-eight-follow-through": { "stopper-behind": "tie-in-stopper", "two-strand-backup": "two-strand-backup" }
};
var BEHIND = [
  "figure-eight-on-bight",
  "figure-nine-on-bight",
  "overhand-on-bight",
  "bowline",
  "bowline-locked",
  "bowline-yosemite",
  "double-bowline"
];
var JOINED = {
  "stopper-in-tag": ["overhand-on-bight", "figure-eight-on-bight", "barrel-noose", "buntline-hitch"],
  "stopper-behind": BEHIND,
  "two-strand-backup": BEHIND,
  "backed-both-sides": ["water-knot", "figure-eight-bend"]
};
var isJoined = (knot, companion) => JOINED[companion]?.includes(knot) ?? false;
var FAULTS_OF_JOINED = {
  "stopper-in-tag": ["stopper-missing", "stopper-gap"],
  "stopper-behind": ["stopper-missing", "stopper-gap", "stopper-wrong-strand"],
  "two-strand-backup": ["stopper-missing", "stopper-gap", "stopper-wrong-strand"],
  "backed-both-sides": ["stopper-missing", "stopper-gap", "backup-one-side"],
  "half-hitch-behind": [],
  "overhand-behind": []
};
var FORM_OF = { "stopper-wrong-strand": "stopper-wrong-face" };
function composedOf(knot, companion, fault2) {
  const of = COMPOSED[knot]?.[companion];
  if (!of) return null;
  if (fault2 === "stopper-missing") return { knot, form: "right" };
  return { knot: of, form: fault2 === void 0 ? "right" : FORM_OF[fault2] ?? fault2 };
}

// core/inspect/judging/walk.ts
var SHORT = ["front", "back", "tail", "set", "eye"];
var isItself = (entry) => usesOf(entry).includes("backup") && entry.family === "stopper";
function withCompanion(points, point) {
  const at = points.findIndex((p) => p.id === "tail" || p.id === "set");
  return at < 0 ? [...points, point] : [...points.slice(0, at), point, ...points.slice(at)];
}
function pictureOf(knot, companion, of) {
  if (isJoined(knot, companion)) {
    if (of === "stopper-missing") return { form: "right", face: "front", state: "tight" };
    if (of !== void 0 && !FAULTS_OF_JOINED[companion].includes(of)) return null;
    return { form: of ?? "right", face: "front", state: "tight", companion };
  }
  const form = composedOf(knot, companion, of);
  return form ? { form: form.form, face: "front", state: "tight", ...form.knot !== knot && { knot: form.knot } } : null;
}
function companionPoint({ practice }, knot, companion) {
  const asked = practice.companions.find((c) => c.companion === companion);
  if (!asked) return null;
  return {
    id: "stopper",
    question: asked.question,
    help: asked.help,
    right: { label: asked.right, picture: pictureOf(knot, companion) },
    wrong: asked.wrong.filter((w) => w.knots === void 0 || w.knots.includes(knot)).map(({ fault: id, label }) => ({ fault: id, label, picture: pictureOf(knot, companion, id) })),
    source: asked.source
  };
}
var strictestUse = (rules, entry, rope_diameter_mm = 10) => lengthAsked(rules, entry, { rope_diameter_mm }).use;
function walkFor(rules, entry, q) {
  const use = q.use ?? strictestUse(rules, entry);
  const refused = refusalOf(rules, entry, use);
  const companions = refused ? [] : companionsTied(rules, entry, use, q.companions ?? [], q.rope_kind);
  const own = entry.check_points.filter(
    (p) => (p.uses === void 0 || isAmong(p.uses, use)) && (p.id !== "tail" || hasTail(entry, use)) && (p.id !== "stopper" || isItself(entry))
  );
  const looked = companions.find((c) => !partsOf(entry).includes(c));
  const point = looked ? companionPoint(rules, entry.id, looked) : null;
  const all = (point ? withCompanion(own, point) : own).map((p) => ({
    ...p,
    rule: (p.id === "stopper" && looked ? companionsAsked(rules, entry, use, q.rope_kind).find((a) => a.companions.includes(looked))?.rule : null) ?? ruleOfPoint(rules, entry, use, p.id),
    ...p.id === "stopper" && looked && { companion: looked }
  }));
  if (q.short && !shortLookAllowed(rules, entry)) throw fault("short-look-not-allowed", { knot: entry.id });
  const points = q.short ? all.filter((p) => SHORT.includes(p.id)) : all;
  const tied = refused ? [] : q.companions ?? [];
  return { use, uses: usesOf(entry), refused, companions, tied, points, of: all.length };
}
var shortLookAllowed = ({ profile }, entry) => (profile.shortLook ?? []).includes(entry.id);

// core/inspect/judging/verdict.ts
var VERDICTS = ["meets-the-rule", "put-right", "take-out-and-retie", "not-judged"];
var WORST_FIRST = [
  "take-out-and-retie",
  "put-right",
  "not-judged",
  "meets-the-rule"
];
var worse = (a, b) => WORST_FIRST.find((v) => v === a || v === b);
var ROPE_STATES = ["in-service", "damaged", "retired"];
var ROPE_STATE_TEXT = {
  damaged: "the rope has damage that nothing was done about: never for a life load",
  retired: "the rope is retired: never for a life load"
};
var TAIL_METHODS = ["ruler", "fists", "rope-diameters", "by-eye"];
var TAIL_UNCERTAINTY_MM = {
  ruler: 5,
  fists: 10,
  "rope-diameters": 10,
  "by-eye": 30
};
var FIST_ANSWERS = ["yes", "just", "no"];
var isByFist = (tail) => "fist" in tail;
var tailNames = (knot) => knot.family === "bend" ? ["tail of the first rope", "tail of the second rope"] : ["tail"];
var BY_STATE = [
  "take-out-and-retie",
  "put-right",
  "not-judged",
  "remark",
  "meets"
];
function judgeTailPoint(c, answer) {
  const names = tailNames(c.entry);
  const first = judgeTail(c, answer, answer?.tail);
  if (names.length === 1 || first.found === "unanswered" || first.found === "cannot-see") return first;
  const each = names.map((name, k) => ({
    name,
    ...judgeTail(c, answer, k === 0 ? answer?.tail : answer?.more_tails?.[k - 1], "")
  }));
  const worst = BY_STATE.map((state) => each.find((t) => t.state === state)).find((t) => t !== void 0);
  const { name: _, ...point } = each.filter((t) => t.state === worst.state).reduce((a, b) => (b.tail?.margin_mm ?? 0) < (a.tail?.margin_mm ?? 0) ? b : a);
  return { ...point, text: each.map((t) => `${t.name}: ${t.text}`).join("; ") };
}
var UNDER = 1 - 1e-9;
function between(tail, fist_mm) {
  if (!isByFist(tail)) {
    const mm = finite("tail_mm", tail.tail_mm, 0, 2e4);
    const off = tail.method === "ruler" ? 0 : finite("uncertainty_mm", tail.uncertainty_mm, 0, 1e3);
    return { low_mm: mm - off, high_mm: mm + off };
  }
  if (tail.fist === "just") return { low_mm: fist_mm, high_mm: fist_mm };
  return tail.fist === "yes" ? { low_mm: fist_mm, high_mm: Infinity } : { low_mm: 0, high_mm: fist_mm * UNDER };
}
var FIST_WORDS = { yes: "more than a fist", just: "just a fist", no: "less than a fist" };
function judgeTail({ rules, entry, walk, input }, answer, given, named2 = "tail ") {
  const measured = answer?.found === "cannot-see" ? void 0 : given;
  const t = lengthAsked(rules, entry, {
    use: walk.use,
    companions: walk.tied,
    rope_diameter_mm: input.rope_diameter_mm,
    fist_mm: input.fist_mm,
    ...measured && { between: between(measured, input.fist_mm) }
  });
  const { layer } = t.rule;
  const base = {
    point: "tail",
    found: answer?.found ?? "unanswered",
    tail: t,
    what_to_do: null,
    rule: layer === null ? null : { ...t.rule, layer }
  };
  const said = measured && (isByFist(measured) ? FIST_WORDS[measured.fist] : `${measured.tail_mm} mm`);
  if (t.verdict === "no-rule")
    return {
      ...base,
      state: layer === null ? "not-judged" : "meets",
      text: layer === null ? t.rule.text : `${said ? `${named2}${said}, noted; ` : ""}no length is asked: ${t.rule.text}`
    };
  if (!measured)
    return {
      ...base,
      state: "not-judged",
      text: answer?.found === "cannot-see" ? "could not be seen" : "not measured"
    };
  const todo = (id) => entry.faults.find((f) => f.id === id)?.what_to_do ?? null;
  const asked = `${round(t.required_mm)} asked`;
  if (t.verdict === "short")
    return {
      ...base,
      state: "put-right",
      found: "tail-short",
      text: `${named2}${said}, ${asked}`,
      what_to_do: todo("tail-short")
    };
  if (t.verdict === "long")
    return {
      ...base,
      state: "put-right",
      found: "tail-long",
      text: `${named2}${said}, at most ${round(t.max_mm)}`,
      what_to_do: todo("tail-long")
    };
  if (t.verdict === "not-measured")
    return {
      ...base,
      state: "not-judged",
      text: isByFist(measured) ? `${named2}${said}, ${asked}: a fist does not tell; measure it with a ruler` : `${named2}${said}, give or take ${measured.uncertainty_mm}: touches the limit; measure it with a ruler`
    };
  return { ...base, state: "meets", found: "right", text: `${named2}${said}, ${asked}` };
}
var round = (mm) => Math.ceil(mm * 10 - 1e-9) / 10;
function judgePoint(c, point) {
  const answer = c.input.answers.find((a) => a.point === point.id);
  if (point.id === "tail") return judgeTailPoint(c, answer);
  const base = {
    point: point.id,
    found: answer?.found ?? "unanswered",
    tail: null,
    what_to_do: null,
    rule: point.rule
  };
  if (!answer) return { ...base, state: "not-judged", text: "not looked at" };
  if (answer.found === "cannot-see") return { ...base, state: "not-judged", text: "could not be seen" };
  if (answer.found === "right") return { ...base, state: "meets", text: point.right.label };
  const ofCompanion = c.rules.practice.companions.find((x) => x.companion === point.companion)?.wrong.find((w) => w.fault === answer.found);
  if (ofCompanion)
    return {
      ...base,
      state: ofCompanion.verdict,
      text: ofCompanion.label,
      what_to_do: ofCompanion.verdict === "remark" ? null : ofCompanion.what_to_do
    };
  const found = answer.touched || point.wrong.some((w) => w.fault === answer.found) ? c.entry.faults.find((f) => f.id === answer.found) : void 0;
  if (!found) throw noAnswer(answer);
  return {
    ...base,
    state: found.verdict,
    text: found.name,
    what_to_do: found.verdict === "remark" ? null : found.what_to_do
  };
}
function foundBesides({ rules, entry, walk, input }) {
  const asked = new Set(walk.points.map((p) => p.id));
  return input.answers.filter((a) => !asked.has(a.point) && a.point !== "tail" && a.found !== "right" && a.found !== "cannot-see").map((a) => {
    const found = entry.faults.find((f) => f.id === a.found) ?? (a.point === "stopper" ? rules.practice.companions.flatMap((x) => x.wrong).find((w) => w.fault === a.found) : void 0);
    if (!found) throw noAnswer(a);
    return {
      point: a.point,
      state: found.verdict,
      found: a.found,
      text: "name" in found ? found.name : found.label,
      what_to_do: found.verdict === "remark" ? null : found.what_to_do,
      tail: null,
      rule: null
    };
  });
}
var noAnswer = (a) => fault("bad-input", {}, [{ path: `answers.${a.point}.found`, message: `"${a.found}" is no answer to this point` }]);
var ropeServes = (state, use) => state === "in-service" || state === "damaged" && use === "isolate-damage";
function secondAsked({ rules, entry, walk, input }) {
  const ofKnot = askedOf(rules, entry, walk.use, "second-check").map((a) => a.asks.asked);
  const all = [...ofKnot, rules.profile.secondCheck.asked];
  if (input.tied_by_unknown || all.includes("required")) return "required";
  return all.includes("advised") ? "advised" : "none";
}
function judgeBy(rules, entry, input) {
  const walk = walkFor(rules, entry, input);
  const c = { rules, entry, walk, input };
  const points = [...walk.points.map((point) => judgePoint(c, point)), ...foundBesides(c)];
  const rope = input.rope_state ?? "in-service";
  if (rope !== "in-service" && !ropeServes(rope, walk.use))
    points.unshift({
      point: "rope",
      state: "take-out-and-retie",
      found: rope,
      text: ROPE_STATE_TEXT[rope],
      what_to_do: "take the knot out; tie it in a rope that is in service",
      tail: null,
      rule: null
    });
  if (walk.refused)
    points.unshift({
      point: "use",
      state: "take-out-and-retie",
      found: walk.use,
      text: walk.refused.text,
      what_to_do: "take the knot out; tie one that is made for this",
      tail: null,
      rule: walk.refused
    });
  const has = (state) => points.some((p) => p.state === state);
  const points_verdict = has("take-out-and-retie") ? "take-out-and-retie" : has("put-right") ? "put-right" : has("not-judged") || points.length === 0 || input.short ? "not-judged" : "meets-the-rule";
  const asked = secondAsked(c);
  const second_signature = input.secondSigned && !input.short ? "present" : asked === "required" ? "missing-required" : asked === "advised" ? "missing-advised" : "not-asked";
  return {
    use: walk.use,
    points_verdict,
    verdict: points_verdict === "meets-the-rule" && second_signature === "missing-required" ? "not-judged" : points_verdict,
    points,
    not_judged: points.filter((p) => p.state === "not-judged").flatMap((p) => p.point === "rope" || p.point === "use" ? [] : [p.point]),
    second_signature,
    ...input.short && { short: { points: walk.points.length, of: walk.of } }
  };
}
export {
  FIST_ANSWERS,
  ROPE_STATES,
  TAIL_METHODS,
  TAIL_UNCERTAINTY_MM,
  VERDICTS,
  isByFist,
  judgeBy,
  tailNames,
  worse
};
