import {
  BoxGeometry,
  BufferAttribute,
  BufferGeometry,
  CustomBlending,
  DataTexture,
  DirectionalLight,
  DoubleSide,
  FloatType,
  Group,
  HalfFloatType,
  HemisphereLight,
  LinearFilter,
  type Material,
  Mesh,
  MeshBasicMaterial,
  MeshStandardMaterial,
  OneFactor,
  OrthographicCamera,
  PCFShadowMap,
  PerspectiveCamera,
  PlaneGeometry,
  Scene,
  ShaderMaterial,
  ShadowMaterial,
  SRGBColorSpace,
  Vector3,
  WebGLRenderer,
  WebGLRenderTarget,
} from 'three';
import type { Figure } from '@/core/figure/figure';
import { RAD_PER_DEG } from '@/core/figure/vector';
import { type Frame, frameFigure, type Margins, type View } from '@/core/figure/view';

export interface PictureOptions {
  /** Length of the picture's longer side, pixels. */
  longSidePx: number;
  /** Light samples accumulated; more gives softer shadows and smoother edges. */
  passes: number;
  /** Without the ground there is no cast shadow and the frame is tight: a cut-out. */
  ground: boolean;
}

const LIGHT_AZIMUTH_DEG = -58;
const LIGHT_ELEVATION_DEG = 46;
/** Angular radius of the key light, radians. */
const LIGHT_RADIUS = 0.035;
const WITH_SHADOW: Margins = [0.1, 0.3, 0.07, 0.1];
const TIGHT: Margins = [0.01, 0.01, 0.01, 0.005];

const passVertex = 'varying vec2 at; void main() { at = uv; gl_Position = vec4(position.xy, 0., 1.); }';

function clayMaterial(): MeshStandardMaterial {
  const clay = new MeshStandardMaterial({ color: 0xd6b79b, roughness: 0.82, metalness: 0, shadowSide: DoubleSide });
  clay.onBeforeCompile = (shader) => {
    shader.vertexShader = shader.vertexShader
      .replace('#include <common>', '#include <common>\nattribute float openness; varying float vOpenness;')
      .replace('#include <begin_vertex>', '#include <begin_vertex>\nvOpenness = openness;');
    shader.fragmentShader = shader.fragmentShader
      .replace('#include <common>', '#include <common>\nvarying float vOpenness;')
      .replace(
        '#include <aomap_fragment>',
        `float open = clamp(vOpenness, 0., 1.);
         reflectedLight.indirectDiffuse *= mix(vec3(.18, .13, .11), vec3(1.), open * open);
         reflectedLight.indirectSpecular *= open;
         reflectedLight.directDiffuse *= mix(.62, 1., smoothstep(0., .75, open));
         reflectedLight.directSpecular *= open;`,
      );
  };
  return clay;
}

/** What is on the ground fades before the picture's edge, so that a shadow never ends in a line. */
function fadeAtEdges<T extends Material>(material: T, size: { value: [number, number] }): T {
  material.onBeforeCompile = (shader) => {
    shader.uniforms.pictureSize = size;
    shader.fragmentShader = shader.fragmentShader
      .replace('void main() {', 'uniform vec2 pictureSize;\nvoid main() {')
      .replace(
        '#include <tonemapping_fragment>',
        `vec2 at = gl_FragCoord.xy / pictureSize;
         gl_FragColor.a *= smoothstep(0., .08, at.x) * smoothstep(0., .22, 1. - at.x) * smoothstep(0., .08, at.y) * smoothstep(0., .1, 1. - at.y);
         #include <tonemapping_fragment>`,
      );
  };
  return material;
}

function figureMesh(figure: Figure, clay: MeshStandardMaterial): Mesh {
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(figure.positions, 3));
  geometry.setAttribute('normal', new BufferAttribute(figure.normals, 3));
  geometry.setAttribute('openness', new BufferAttribute(figure.occlusion, 1));
  geometry.setIndex(new BufferAttribute(figure.indices, 1));
  geometry.computeBoundingBox();
  const mesh = new Mesh(geometry, clay);
  mesh.castShadow = mesh.receiveShadow = true;
  return mesh;
}

function propMeshes(figure: Figure): Group {
  const group = new Group();
  const wood = new MeshStandardMaterial({ color: 0xcfc6b6, roughness: 0.95, shadowSide: DoubleSide });
  for (const { c, s } of figure.props) {
    const box = new Mesh(new BoxGeometry(s[0] * 2, s[1] * 2, s[2] * 2), wood);
    box.position.set(...c);
    box.castShadow = box.receiveShadow = true;
    group.add(box);
  }
  return group;
}

/** Linear light, nearly none: a shade that stays darker than a night ground too. */
const SHADE = [4, 3, 2];

function contactShade({ contact }: Figure, pictureSize: { value: [number, number] }): Mesh {
  const pixels = new Uint8Array(contact.data.length * 4);
  const { resolution: n } = contact;
  for (let row = 0; row < n; row++)
    for (let i = 0; i < n; i++) pixels.set([...SHADE, contact.data[row * n + i]], ((n - 1 - row) * n + i) * 4);
  const map = new DataTexture(pixels, n, n);
  map.magFilter = LinearFilter;
  map.needsUpdate = true;
  const shade = new Mesh(
    new PlaneGeometry(...contact.size).rotateX(-Math.PI / 2),
    fadeAtEdges(new MeshBasicMaterial({ map, transparent: true, depthWrite: false }), pictureSize),
  );
  shade.position.set(contact.center[0], 0.003, contact.center[1]);
  shade.renderOrder = 1;
  return shade;
}

/** Corners of the props are framed with the figure. */
function framedPositions(figure: Figure): Float32Array {
  if (figure.props.length === 0) return figure.positions;
  const corners = figure.props.flatMap(({ c, s }) =>
    [-1, 1].flatMap((x) =>
      [-1, 1].flatMap((y) => [-1, 1].flatMap((z) => [c[0] + x * s[0], c[1] + y * s[1], c[2] + z * s[2]])),
    ),
  );
  return Float32Array.from([...figure.positions, ...corners]);
}

/**
 * Render a figure into a canvas with a transparent background, by accumulating jittered light directions and sub-pixel
 * shifts (a disc-shaped key light and antialiasing at once).
 * @throws when WebGL is not to be had.
 */
export function renderFigure(
  figure: Figure,
  view: View,
  { longSidePx, passes, ground }: PictureOptions,
): OffscreenCanvas {
  const frame = frameFigure(framedPositions(figure), view, ground ? WITH_SHADOW : TIGHT);
  const aspect = (frame.right - frame.left) / (frame.top - frame.bottom);
  const width = Math.round(aspect >= 1 ? longSidePx : longSidePx * aspect);
  const height = Math.round(aspect >= 1 ? longSidePx / aspect : longSidePx);
  const canvas = new OffscreenCanvas(width, height);
  const renderer = new WebGLRenderer({ canvas, alpha: true, premultipliedAlpha: true, preserveDrawingBuffer: true });
  renderer.setSize(width, height, false);
  renderer.setClearColor(0x000000, 0);
  renderer.outputColorSpace = SRGBColorSpace;
  renderer.shadowMap.enabled = true;
  renderer.shadowMap.type = PCFShadowMap;

  const scene = new Scene();
  const mesh = figureMesh(figure, clayMaterial());
  scene.add(mesh, propMeshes(figure), new HemisphereLight(0xdbe4f2, 0xb8a084, 0.62));
  if (ground) {
    const pictureSize: { value: [number, number] } = { value: [width, height] };
    const shadow = new ShadowMaterial({ color: 0x2a221b, opacity: 0.5 });
    const floor = new Mesh(new PlaneGeometry(60, 60).rotateX(-Math.PI / 2), fadeAtEdges(shadow, pictureSize));
    floor.receiveShadow = true;
    scene.add(floor, contactShade(figure, pictureSize));
  }
  const box = mesh.geometry.boundingBox;
  const middle = box?.getCenter(new Vector3()) ?? new Vector3();
  const extent = Math.max(...(box?.getSize(new Vector3()).toArray() ?? [8])) * 0.5 + 1.8;
  const key = new DirectionalLight(0xfff1de, 3.9);
  key.castShadow = true;
  key.shadow.mapSize.set(2048, 2048);
  key.shadow.bias = -0.0008;
  key.shadow.normalBias = 0.035;
  key.shadow.radius = 4;
  Object.assign(key.shadow.camera, { left: -extent, bottom: -extent, right: extent, top: extent, near: 0.5, far: 40 });
  key.target.position.copy(middle);
  scene.add(key, key.target);

  accumulate(renderer, scene, frame, { width, height, passes, key, middle, view });
  return canvas;
}

interface Accumulation {
  width: number;
  height: number;
  passes: number;
  key: DirectionalLight;
  middle: Vector3;
  view: View;
}
function accumulate(renderer: WebGLRenderer, scene: Scene, frame: Frame, o: Accumulation): void {
  const { width, height, passes } = o;
  const single = new WebGLRenderTarget(width, height, { type: HalfFloatType });
  const sum = new WebGLRenderTarget(width, height, { type: FloatType });
  const adding = new ShaderMaterial({
    uniforms: { picture: { value: single.texture }, weight: { value: 1 / passes } },
    vertexShader: passVertex,
    fragmentShader:
      'uniform sampler2D picture; uniform float weight; varying vec2 at; void main() { gl_FragColor = texture2D(picture, at) * weight; }',
    blending: CustomBlending,
    blendSrc: OneFactor,
    blendDst: OneFactor,
    depthTest: false,
    depthWrite: false,
    transparent: true,
  });
  const showing = new ShaderMaterial({
    uniforms: { picture: { value: sum.texture } },
    vertexShader: passVertex,
    fragmentShader: `uniform sampler2D picture; varying vec2 at;
      void main() {
        vec4 c = texture2D(picture, at);
        gl_FragColor = vec4(c.a > 0. ? c.rgb / c.a : vec3(0.), c.a);
        #include <colorspace_fragment>
        gl_FragColor.rgb *= c.a;
      }`,
    depthTest: false,
    depthWrite: false,
  });
  const screen = new Mesh(new PlaneGeometry(2, 2), adding);
  const screenScene = new Scene().add(screen);
  const screenCamera = new OrthographicCamera(-1, 1, 1, -1, 0, 1);

  const camera = new PerspectiveCamera();
  camera.position.set(...frame.eye);
  camera.lookAt(...frame.target);
  const near = 0.1;
  const azimuth = (o.view.azimuthDeg + LIGHT_AZIMUTH_DEG) * RAD_PER_DEG;
  const elevation = LIGHT_ELEVATION_DEG * RAD_PER_DEG;
  const light = new Vector3(
    Math.sin(azimuth) * Math.cos(elevation),
    Math.sin(elevation),
    Math.cos(azimuth) * Math.cos(elevation),
  );
  const across = light
    .clone()
    .cross(new Vector3(0, 1, 0))
    .normalize();
  const upward = light.clone().cross(across);

  renderer.setRenderTarget(sum);
  renderer.clear();
  for (let i = 0; i < passes; i++) {
    // Sunflower spiral over the light's disc; golden-ratio lattice over the pixel.
    const r = Math.sqrt((i + 0.5) / passes) * LIGHT_RADIUS;
    const turn = i * 2.39996;
    const direction = light
      .clone()
      .addScaledVector(across, Math.cos(turn) * r)
      .addScaledVector(upward, Math.sin(turn) * r)
      .normalize();
    o.key.position.copy(o.middle).addScaledVector(direction, 18);
    const dx = ((((i * 0.7549) % 1) - 0.5) * (frame.right - frame.left)) / width;
    const dy = ((((i * 0.5698) % 1) - 0.5) * (frame.top - frame.bottom)) / height;
    camera.projectionMatrix.makePerspective(
      (frame.left + dx) * near,
      (frame.right + dx) * near,
      (frame.top + dy) * near,
      (frame.bottom + dy) * near,
      near,
      100,
    );
    camera.projectionMatrixInverse.copy(camera.projectionMatrix).invert();
    renderer.autoClear = true;
    renderer.setRenderTarget(single);
    renderer.render(scene, camera);
    renderer.autoClear = false;
    renderer.setRenderTarget(sum);
    renderer.render(screenScene, screenCamera);
  }
  screen.material = showing;
  renderer.setRenderTarget(null);
  renderer.render(screenScene, screenCamera);
  single.dispose();
  sum.dispose();
}
