import type { SkinPiece, PaperScene } from '@odd-corner/core';
import {
  AmbientLight,
  BufferGeometry,
  BoxGeometry,
  CapsuleGeometry,
  CylinderGeometry,
  DirectionalLight,
  EdgesGeometry,
  Float32BufferAttribute,
  Group,
  InstancedMesh,
  Matrix4,
  LineBasicMaterial,
  LineSegments,
  Mesh,
  MeshLambertMaterial,
  type Object3D,
  PerspectiveCamera,
  Quaternion,
  Scene,
  SphereGeometry,
  Vector3,
  WebGLRenderer,
} from 'three';
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js';
import { coloursIn, type PaperColours } from '../drawing-view/paper-colours';

type Corners = readonly { readonly x: number; readonly y: number; readonly z: number }[];

/** Loose things in a piece: what each is, its three sides in mm, and seven numbers for each: where it is, and how it is turned. */
export interface BodiesIn {
  readonly shape: 'ball' | 'block' | 'disc' | 'seed';
  readonly sides: readonly [number, number, number];
  readonly at: Float32Array;
}

/** Told apart from paper, light or dark. */
const LOOSE = '#6f9a94';
/** Room for so many at first: they come handful by handful. */
const ROOM_FOR = 64;
const [PLACE, SPOT, TURN, ONE] = [new Matrix4(), new Vector3(), new Quaternion(), new Vector3(1, 1, 1)];

/** A disc's thickness and a seed's length run along the second axis, as those of bodies that are dropped. */
function shapeOf({ shape, sides: [a, b, c] }: BodiesIn): BufferGeometry {
  if (shape === 'ball') return new SphereGeometry(a / 2, 20, 14);
  if (shape === 'disc') return new CylinderGeometry(a / 2, a / 2, c, 24);
  if (shape === 'seed') return new CapsuleGeometry(b / 2, a - b, 6, 14);
  return new BoxGeometry(a, b, c);
}

/** How far it can be looked at from above and below, in radians from the table. */
const MOST_RISE = 1.45;
/** From where it is seen first, in radians. */
const [FIRST_TURN, FIRST_RISE] = [0.5, 0.58];
const UP = new Vector3(0, 0, 1);
/** Nearest and farthest, as shares of the distance from which all of it is seen. */
const NEARER = [0.35, 3] as const;

/** A wheel scrolls the page; with a key, or as two fingers on a pad send it, it brings the piece nearer. */
const leaveToPage = (event: WheelEvent): void => {
  if (!event.ctrlKey) event.stopImmediatePropagation();
};

const EDGE_ANGLE_DEG = 15;

/** A three-dimensional stage in an element; draws only when something changed. */
export class PaperStage {
  private readonly renderer: WebGLRenderer;
  private readonly world = new Scene();
  private readonly camera = new PerspectiveCamera(28, 1, 1, 50_000);
  private readonly watch: ResizeObserver;
  private rising: readonly { readonly group: Group; readonly liftMm: number }[] = [];
  private lifted = 1;
  private loose: InstancedMesh | null = null;
  private looseKind = '';
  private readonly controls: OrbitControls;
  private reach = 100;
  private frame = 0;
  private resizing = 0;
  /** Whether the eye has found its place once. */
  private placed = false;

  /** @throws Error when the browser gives no WebGL */
  constructor(private readonly host: HTMLElement) {
    this.renderer = new WebGLRenderer({ antialias: true, alpha: true });
    this.renderer.setPixelRatio(Math.min(2, devicePixelRatio));
    this.renderer.domElement.setAttribute('aria-hidden', 'true');
    this.renderer.domElement.style.display = 'block';
    host.append(this.renderer.domElement);
    this.camera.up.set(0, 0, 1);
    const sun = new DirectionalLight(0xffffff, 1.9);
    sun.position.set(-0.5, -0.9, 1.5);
    this.world.add(sun, new AmbientLight(0xfff4e0, 1.5));
    // In the next frame: a canvas that grew at once would change what is being observed.
    this.watch = new ResizeObserver(() => (this.resizing = requestAnimationFrame(() => this.fit())));
    this.watch.observe(host);
    this.controls = new OrbitControls(this.camera, host);
    this.controls.enablePan = false;
    [this.controls.minPolarAngle, this.controls.maxPolarAngle] = [Math.PI / 2 - MOST_RISE, Math.PI / 2 + MOST_RISE];
    this.controls.addEventListener('change', () => this.redraw());
    // Sideways it turns, two fingers bring it nearer; up and down the page is scrolled, as by a wheel without a key.
    host.style.touchAction = 'pan-y';
    host.addEventListener('wheel', leaveToPage, { capture: true });
    const flat = Math.cos(FIRST_RISE);
    this.camera.position.set(Math.sin(FIRST_TURN) * flat, -Math.cos(FIRST_TURN) * flat, Math.sin(FIRST_RISE));
    this.fit();
  }

  show({ piece, lifted, contents }: PaperScene, colours: PaperColours): void {
    for (const child of [...this.world.children]) if (isGroup(child)) this.drop(child);
    const base = paperGroup(piece, colours);
    this.rising = lifted.map(({ skin, liftMm }) => ({ group: paperGroup(skin, colours), liftMm }));
    const thing = solid(
      contents.map((corners) => ({ corners })),
      '#a9b4b0',
    );
    this.world.add(base, ...this.rising.map(({ group }) => group), thing);
    const corners = [
      ...piece.flatMap((at) => at.corners),
      ...contents.flat(),
      ...lifted.flatMap(({ skin, liftMm }) =>
        skin.flatMap((at) => at.corners.flatMap((p) => [p, { ...p, z: p.z + liftMm }])),
      ),
    ];
    const [low, high] = (['x', 'y', 'z'] as const)
      .map((axis) => [Math.min(...corners.map((p) => p[axis])), Math.max(...corners.map((p) => p[axis]))])
      .reduce<[number[], number[]]>(
        ([l, h], [a, b]) => [
          [...l, a],
          [...h, b],
        ],
        [[], []],
      );
    const nearer = this.nearer();
    const from = this.camera.position.clone().sub(this.controls.target);
    this.controls.target.set((low[0] + high[0]) / 2, (low[1] + high[1]) / 2, (low[2] + high[2]) / 2);
    this.camera.position.copy(this.controls.target).add(from);
    this.reach = Math.hypot(high[0] - low[0], high[1] - low[1], high[2] - low[2]) / 2;
    this.stand(nearer);
    this.liftLid(this.lifted);
  }

  /** Loose things in it, all of one kind: where each is, and how it is turned. */
  showBodies(bodies: BodiesIn | null): void {
    const count = bodies ? bodies.at.length / 7 : 0;
    const kind = bodies ? `${bodies.shape} ${bodies.sides.join()}` : '';
    if (this.loose && (kind !== this.looseKind || count > this.loose.instanceMatrix.count)) {
      this.world.remove(this.loose);
      this.loose.geometry.dispose();
      this.loose = null;
    }
    if (bodies && count) {
      if (!this.loose) {
        const room = Math.max(ROOM_FOR, 2 * count);
        this.loose = new InstancedMesh(shapeOf(bodies), new MeshLambertMaterial({ color: LOOSE }), room);
        this.loose.frustumCulled = false;
        this.looseKind = kind;
        this.world.add(this.loose);
      }
      const { at } = bodies;
      for (let k = 0; k < count; k++) {
        const [x, y, z, a, b, c, d] = at.subarray(7 * k, 7 * k + 7);
        this.loose.setMatrixAt(k, PLACE.compose(SPOT.set(x, y, z), TURN.set(a, b, c, d), ONE));
      }
      this.loose.count = count;
      this.loose.instanceMatrix.needsUpdate = true;
    }
    this.redraw();
  }

  /** @param share 0 closed, 1 lifted off */
  liftLid(share: number): void {
    this.lifted = share;
    for (const { group, liftMm } of this.rising) group.position.z = share * liftMm;
    this.redraw();
  }

  /** Turns it by so many radians, aside and towards the eye. */
  turn(aside: number, up: number): void {
    const { target, minPolarAngle, maxPolarAngle } = this.controls;
    const from = this.camera.position.clone().sub(target);
    const polar = Math.acos(from.z / from.length());
    const next = Math.max(minPolarAngle, Math.min(maxPolarAngle, polar - up));
    from.applyAxisAngle(UP, -aside);
    from.applyAxisAngle(new Vector3(-from.y, from.x, 0).normalize(), next - polar);
    this.camera.position.copy(target).add(from);
    this.controls.update();
    this.redraw();
  }

  zoom(by: number): void {
    this.stand(this.nearer() * by);
  }

  dispose(): void {
    cancelAnimationFrame(this.frame);
    cancelAnimationFrame(this.resizing);
    this.watch.disconnect();
    this.controls.dispose();
    this.host.removeEventListener('wheel', leaveToPage, { capture: true });
    for (const child of [...this.world.children]) if (isGroup(child)) this.drop(child);
    this.loose?.geometry.dispose();
    this.renderer.dispose();
    this.renderer.domElement.remove();
  }

  private drop(group: Group): void {
    this.world.remove(group);
    group.traverse((item) => {
      if (item instanceof Mesh || item instanceof LineSegments) {
        (item.geometry as BufferGeometry).dispose();
        (item.material as LineBasicMaterial).dispose();
      }
    });
  }

  private fit(): void {
    const { clientWidth: width, clientHeight: height } = this.host;
    if (!width || !height) return;
    const nearer = this.nearer();
    this.renderer.setSize(width, height);
    this.camera.aspect = width / height;
    this.camera.updateProjectionMatrix();
    this.stand(nearer);
  }

  /** From so far all of it is seen. */
  private distance(): number {
    const half = (this.camera.fov * Math.PI) / 360;
    return (this.reach * 1.02) / (Math.sin(half) * Math.min(1, this.camera.aspect));
  }

  /** How far the eye is, as a share of the distance from which all of it is seen. */
  private nearer(): number {
    const distance = this.camera.position.distanceTo(this.controls.target);
    return this.placed ? distance / this.distance() : 1;
  }

  /** Puts the eye so far away, looking from where it is. */
  private stand(nearer: number): void {
    const { target } = this.controls;
    const [near, far] = NEARER;
    const distance = this.distance();
    [this.controls.minDistance, this.controls.maxDistance] = [near * distance, far * distance];
    const from = this.camera.position.clone().sub(target);
    this.camera.position.copy(target).add(from.setLength(Math.max(near, Math.min(far, nearer)) * distance));
    this.placed = true;
    this.controls.update();
    this.redraw();
  }

  private redraw(): void {
    cancelAnimationFrame(this.frame);
    this.frame = requestAnimationFrame(() => this.renderer.render(this.world, this.camera));
  }
}

function isGroup(item: Object3D): item is Group {
  return item instanceof Group;
}

function paperGroup(skin: readonly SkinPiece[], colours: PaperColours): Group {
  const byColour = new Map<string, SkinPiece[]>();
  for (const piece of skin) {
    const { front, back } = coloursIn(colours, piece.of);
    const colour = piece.side === 'colour' ? front : back;
    byColour.set(colour, [...(byColour.get(colour) ?? []), piece]);
  }
  const group = new Group();
  for (const [colour, pieces] of byColour) group.add(...solid(pieces, colour).children);
  return group;
}

/** Flat polygons of one colour, seen from outside only, with their outer edges drawn. */
function solid(pieces: readonly { readonly corners: Corners }[], colour: string): Group {
  const positions: number[] = [];
  for (const { corners } of pieces)
    for (let k = 2; k < corners.length; k++)
      for (const p of [corners[0], corners[k - 1], corners[k]]) positions.push(p.x, p.y, p.z);
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new Float32BufferAttribute(positions, 3));
  geometry.computeVertexNormals();
  const group = new Group();
  group.add(
    new Mesh(
      geometry,
      new MeshLambertMaterial({ color: colour, polygonOffset: true, polygonOffsetFactor: 1, polygonOffsetUnits: 1 }),
    ),
    new LineSegments(
      new EdgesGeometry(geometry, EDGE_ANGLE_DEG),
      new LineBasicMaterial({ color: '#3a332a', transparent: true, opacity: 0.65 }),
    ),
  );
  return group;
}
