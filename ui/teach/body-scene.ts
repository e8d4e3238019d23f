import {
  AmbientLight,
  BufferAttribute,
  BufferGeometry,
  Color,
  DirectionalLight,
  Group,
  Matrix4,
  Mesh,
  MeshLambertMaterial,
  PerspectiveCamera,
  Scene,
  Vector3,
  WebGLRenderer,
} from 'three';
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js';
import { toCreasedNormals } from 'three/examples/jsm/utils/BufferGeometryUtils.js';
import type { Layer } from '@/core/drawing/body/body-mesh';
import type { BodyParts } from '@/core/drawing/body/body-parts';
import type { Frame } from '@/core/drawing/body/frame';
import { COLOURS } from '@/core/drawing/colours';

/** Faces that meet at less than this are drawn as one round, radians. */
const CREASE = 0.5;
/** Share of its pixels that is drawn while it moves, and how long after it is drawn whole again, ms. */
const COARSE = 0.5;
const RESTS_AFTER = 180;
/** A step of the keys, radians. */
const TURN = 0.12;

const COLOUR_OF: Record<Layer, string> = {
  bark: COLOURS.skin,
  green: COLOURS.life,
  wood: COLOURS.wood,
  pith: COLOURS.pith,
  bud: COLOURS.bark,
  flap: COLOURS.flap,
};

export interface BodyScene {
  /** Opens the joint by a share from 0, closed, to 1. */
  open: (share: number) => void;
  /** Turns whoever looks round the pieces, in steps to the right and up. */
  turn: (right: number, up: number) => void;
  nearer: (steps: number) => void;
  resize: (width: number, height: number) => void;
  end: () => void;
}

/** Shows pieces as bodies in a canvas, lit from the left; drawn only when something changed, and counted on it. */
export function showBodies(canvas: HTMLCanvasElement, parts: BodyParts): BodyScene {
  const renderer = new WebGLRenderer({ canvas, antialias: true, alpha: true });
  const scene = new Scene();
  const camera = new PerspectiveCamera(28, 1, 1, 2000);
  const groups = parts.pieces.map((piece) => pieceGroup(piece));
  scene.add(...groups, new AmbientLight(0xffffff, 1.7));
  const sun = new DirectionalLight(0xffffff, 1.9);
  scene.add(sun);
  let count = 0;
  let asked = 0;
  let resting: ReturnType<typeof setTimeout> | undefined;
  let ratio = 1;
  const draw = (): void => {
    asked = 0;
    sun.position.copy(camera.position).add(new Vector3(-60, 90, 30));
    renderer.render(scene, camera);
    canvas.dataset.pictures = String(++count);
  };
  const ask = (): void => {
    asked ||= requestAnimationFrame(draw);
  };
  const fine = Math.min(2, window.devicePixelRatio);
  const sharpen = (wanted: number): void => {
    if (ratio === wanted) return;
    ratio = wanted;
    renderer.setPixelRatio(wanted);
  };
  const moves = (): void => {
    sharpen(COARSE);
    clearTimeout(resting);
    resting = setTimeout(() => {
      sharpen(fine);
      ask();
    }, RESTS_AFTER);
    ask();
  };
  const controls = new OrbitControls(camera, canvas);
  controls.enablePan = false;
  controls.addEventListener('change', moves);
  const place = (share: number): void => {
    groups.forEach((group, i) => setFrame(group, between(parts.pieces[i]!.closed, parts.pieces[i]!.opened, share)));
  };
  // Far enough for the opened joint.
  place(1);
  lookAtAll(camera, controls, groups);
  place(0);
  sharpen(fine);
  return {
    open: (share) => {
      place(share);
      moves();
    },
    turn: (right, up) => {
      orbit(camera, controls.target, right * TURN, up * TURN);
      controls.update();
      moves();
    },
    nearer: (steps) => {
      camera.position
        .sub(controls.target)
        .multiplyScalar(0.88 ** steps)
        .add(controls.target);
      controls.update();
      moves();
    },
    resize: (width, height) => {
      renderer.setSize(width, height, false);
      camera.aspect = width / height;
      camera.updateProjectionMatrix();
      ask();
    },
    end: () => {
      clearTimeout(resting);
      cancelAnimationFrame(asked);
      controls.dispose();
      renderer.dispose();
    },
  };
}

/** Ours are u, w and y; a screen's are to the right, up and towards who looks: w, y and u. */
function pieceGroup({ layers }: BodyParts['pieces'][number]): Group {
  const group = new Group();
  for (const { layer, places, triangles } of layers) {
    const geometry = new BufferGeometry();
    const turned = new Float32Array(places.length);
    for (let i = 0; i < places.length; i += 3) {
      turned[i] = places[i + 1]!;
      turned[i + 1] = places[i + 2]!;
      turned[i + 2] = places[i]!;
    }
    geometry.setAttribute('position', new BufferAttribute(turned, 3));
    geometry.setIndex(triangles);
    group.add(
      new Mesh(toCreasedNormals(geometry, CREASE), new MeshLambertMaterial({ color: new Color(COLOUR_OF[layer]) })),
    );
  }
  group.matrixAutoUpdate = false;
  return group;
}

function between(from: Frame, to: Frame, share: number): Frame {
  const mix = (a: number, b: number): number => a + (b - a) * share;
  return {
    axes: from.axes,
    at: [mix(from.at[0], to.at[0]), mix(from.at[1], to.at[1]), mix(from.at[2], to.at[2])],
  };
}

function setFrame(group: Group, { at, axes: [u, w, y] }: Frame): void {
  const turned = ([pu, pw, py]: Frame['at']): Vector3 => new Vector3(pw, py, pu);
  group.matrix = new Matrix4().makeBasis(turned(w), turned(y), turned(u)).setPosition(turned(at));
  group.updateMatrixWorld(true);
}

/** From the front, the left and above, so far off that all is in sight. */
function lookAtAll(camera: PerspectiveCamera, controls: OrbitControls, groups: readonly Group[]): void {
  const low = new Vector3(Infinity, Infinity, Infinity);
  const high = new Vector3(-Infinity, -Infinity, -Infinity);
  for (const group of groups)
    for (const child of group.children) {
      const { geometry } = child as Mesh;
      geometry.computeBoundingBox();
      const box = geometry.boundingBox!.clone().applyMatrix4(group.matrix);
      low.min(box.min);
      high.max(box.max);
    }
  controls.target.copy(low).add(high).multiplyScalar(0.5);
  const size = high.clone().sub(low).length();
  camera.position.copy(controls.target).add(new Vector3(-0.55, 0.45, 0.8).normalize().multiplyScalar(size * 2.1));
  camera.near = size * 0.1;
  camera.far = size * 8;
  camera.updateProjectionMatrix();
  controls.minDistance = size * 0.3;
  controls.maxDistance = size * 5;
  controls.update();
}

/** Goes round a place by so much to the right and up, never over the top. */
function orbit(camera: PerspectiveCamera, target: Vector3, right: number, up: number): void {
  const off = camera.position.clone().sub(target);
  const length = off.length();
  const round = Math.atan2(off.x, off.z) + right;
  const high = Math.max(-1.45, Math.min(1.45, Math.asin(off.y / length) + up));
  camera.position
    .set(Math.sin(round) * Math.cos(high), Math.sin(high), Math.cos(round) * Math.cos(high))
    .multiplyScalar(length)
    .add(target);
}
