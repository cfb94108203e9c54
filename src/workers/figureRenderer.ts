import {
  BufferAttribute,
  BufferGeometry,
  CustomBlending,
  Color,
  DataTexture,
  DirectionalLight,
  DoubleSide,
  FloatType,
  HalfFloatType,
  HemisphereLight,
  LinearFilter,
  type Material,
  Mesh,
  MeshBasicMaterial,
  MeshStandardMaterial,
  NoBlending,
  OneFactor,
  OneMinusSrcAlphaFactor,
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
import {
  hasGround,
  isSolid,
  marginsFor,
  type Scene as FigureScene,
  sceneOf,
  shownPositions,
} from '@/core/figure/picture/draft';
import type { Figure } from '@/core/figure/figure';
import { type KeyLight, type Look, paintOf, SOURCE, STUDIO_LIGHT, towardLight } from '@/core/figure/picture/light';
import type { Vec3 } from '@/core/figure/skeleton/vector';
import { type Frame, frameFigure, type View } from '@/core/figure/picture/view';

export interface PictureOptions {
  /** Length of the picture's longer side, pixels. */
  longSidePx: number;
  /** Light samples accumulated; more gives softer shadows and smoother edges. */
  passes: number;
  /** Without the ground there is no cast shadow and the frame is tight: a cut-out. */
  ground: boolean;
  light?: KeyLight;
  look?: Look;
  covered?: boolean;
}

const passVertex = 'varying vec2 at; void main() { at = uv; gl_Position = vec4(position.xy, 0., 1.); }';

/** A color of linear light. */
export const linear = ([r, g, b]: Vec3, factor = 1): Color => new Color(r * factor, g * factor, b * factor);

/** The reflectance of each vertex, the cloth's where it is covered, darkened where little sky is seen. */
function figureMaterial(
  paint: ReturnType<typeof paintOf>,
  look: Look,
  covered: boolean,
  fading: boolean,
): MeshStandardMaterial {
  const material = new MeshStandardMaterial({
    roughness: 0.85,
    metalness: 0,
    shadowSide: DoubleSide,
    ...(fading
      ? { transparent: true, blending: CustomBlending, blendSrc: OneFactor, blendDst: OneMinusSrcAlphaFactor }
      : { blending: NoBlending }),
  });
  material.onBeforeCompile = (shader) => {
    Object.assign(shader.uniforms, {
      bodyPaint: { value: linear(paint.body) },
      coverPaint: { value: linear(covered ? paint.cover : paint.body) },
      propPaint: { value: linear(paint.prop) },
    });
    shader.vertexShader = shader.vertexShader
      .replace(
        '#include <common>',
        '#include <common>\nattribute float openness; attribute float cover; attribute float prop; attribute float fade; varying vec3 vTold; varying float vFade;',
      )
      .replace(
        '#include <begin_vertex>',
        '#include <begin_vertex>\nvTold = vec3(openness, cover, prop);\nvFade = fade;',
      );
    shader.fragmentShader = shader.fragmentShader
      .replace(
        '#include <common>',
        '#include <common>\nuniform vec3 bodyPaint; uniform vec3 coverPaint; uniform vec3 propPaint; varying vec3 vTold; varying float vFade;',
      )
      .replace(
        '#include <color_fragment>',
        'diffuseColor.rgb = vTold.z > .5 ? propPaint : vTold.y > 0. ? coverPaint : bodyPaint;',
      )
      .replace(
        '#include <aomap_fragment>',
        `float open = clamp(vTold.x, 0., 1.);
         reflectedLight.indirectDiffuse *= mix(vec3(.18, .13, .11), vec3(1.), open * open);
         reflectedLight.indirectSpecular *= open;
         reflectedLight.directDiffuse *= mix(.62, 1., smoothstep(0., .75, open)) * mix(.06, 1., min(1., open * open / .0144));
         reflectedLight.directSpecular *= open;`,
      )
      // What fades is written as it is, colors times its alpha: the passes are added up so.
      .replace(
        '#include <dithering_fragment>',
        'gl_FragColor = vec4(gl_FragColor.rgb * clamp(vFade, 0., 1.), clamp(vFade, 0., 1.));',
      );
  };
  material.customProgramCacheKey = () => `${look}/${String(covered)}`;
  return material;
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

/** The materials of a figure: of what is solid, and of what fades. */
export const figureMaterials = (
  paint: ReturnType<typeof paintOf>,
  look: Look,
  covered: boolean,
): readonly [Material, Material] => [
  figureMaterial(paint, look, covered, false),
  figureMaterial(paint, look, covered, true),
];

/** One mesh in two groups: what is solid, and over it what fades. */
export function sceneMesh(scene: FigureScene, [solid, fading]: readonly [Material, Material]): Mesh {
  const vertices = scene.positions.length / 3;
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(scene.positions, 3));
  geometry.setAttribute('normal', new BufferAttribute(scene.normals, 3));
  geometry.setAttribute('openness', new BufferAttribute(scene.openness, 1));
  geometry.setAttribute('cover', new BufferAttribute(scene.cover, 1));
  geometry.setAttribute('fade', new BufferAttribute(scene.fade, 1));
  const prop = new Float32Array(vertices).fill(1, scene.figureVertices);
  geometry.setAttribute('prop', new BufferAttribute(prop, 1));
  const indices = new Uint32Array(scene.indices.length);
  let [first, last] = [0, indices.length];
  for (let t = 0; t < indices.length; t += 3) {
    const here = isSolid(scene.fade, scene.indices, t) ? (first += 3) - 3 : (last -= 3);
    indices.set(scene.indices.subarray(t, t + 3), here);
  }
  geometry.setIndex(new BufferAttribute(indices, 1));
  geometry.addGroup(0, first, 0);
  if (first < indices.length) geometry.addGroup(first, indices.length - first, 1);
  geometry.computeBoundingBox();
  const mesh = new Mesh(geometry, [solid, fading]);
  mesh.castShadow = mesh.receiveShadow = true;
  return mesh;
}

/** Put what fades in order for an eye, the farthest first: each then shows through what lies before it. */
export function sortFading({ geometry }: Mesh, eye: Vec3): void {
  const { index, groups } = geometry;
  const fading = groups.at(1);
  if (!index || !fading) return;
  const p = geometry.getAttribute('position').array;
  const all = index.array as Uint32Array;
  const triangles = Array.from({ length: fading.count / 3 }, (_, i) => {
    const corners = all.slice(fading.start + i * 3, fading.start + i * 3 + 3);
    let far = 0;
    for (const v of corners) far += Math.hypot(p[v * 3] - eye[0], p[v * 3 + 1] - eye[1], p[v * 3 + 2] - eye[2]);
    return { corners, far };
  }).sort((a, b) => b.far - a.far);
  triangles.forEach(({ corners }, i) => {
    all.set(corners, fading.start + i * 3);
  });
  index.needsUpdate = true;
}

/** Linear light, nearly none: a shade that stays darker than a night ground too. */
const SHADE = [4, 3, 2];

function contactShade({ contact }: Figure, pictureSize: { value: [number, number] }, strength: number): Mesh {
  const pixels = new Uint8Array(contact.data.length * 4);
  const { resolution: n } = contact;
  for (let row = 0; row < n; row++)
    for (let i = 0; i < n; i++)
      pixels.set([...SHADE, contact.data[row * n + i] * strength], ((n - 1 - row) * n + i) * 4);
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

/** The ground that a figure stands on: its cast shadow and the shade of its contact. Nothing for a part that floats. */
export function groundOf(figure: Figure, look: Look, size: [number, number]): Mesh[] {
  if (!hasGround(figure, true)) return [];
  const pictureSize = { value: size };
  const shadow = new ShadowMaterial({ color: 0x2a221b, opacity: look === 'flat' ? 0.12 : 0.5 });
  const floor = new Mesh(new PlaneGeometry(60, 60).rotateX(-Math.PI / 2), fadeAtEdges(shadow, pictureSize));
  floor.receiveShadow = true;
  return [floor, contactShade(figure, pictureSize, look === 'flat' ? 0.4 : 1)];
}

/** Where a mesh has its middle, and how far around it a shadow reaches, head heights. */
export function shadowExtent({ geometry }: Mesh): { middle: Vector3; extent: number } {
  const box = geometry.boundingBox;
  const middle = box?.getCenter(new Vector3()) ?? new Vector3();
  return { middle, extent: Math.max(...(box?.getSize(new Vector3()).toArray() ?? [8])) * 0.5 + 1.8 };
}

/** Free what a scene holds on the graphics card. */
export function disposeAll(scene: Scene): void {
  scene.traverse((object) => {
    if (!(object instanceof Mesh)) return;
    const { geometry, material } = object as Mesh;
    geometry.dispose();
    for (const one of [material].flat()) one.dispose();
  });
}

/** One graphics context for the life of the worker: browsers allow few. */
let renderer: WebGLRenderer | undefined;

function theRenderer(): WebGLRenderer {
  if (renderer && !renderer.getContext().isContextLost()) return renderer;
  renderer = new WebGLRenderer({
    canvas: new OffscreenCanvas(1, 1),
    alpha: true,
    premultipliedAlpha: true,
    preserveDrawingBuffer: true,
  });
  renderer.setClearColor(0x000000, 0);
  renderer.outputColorSpace = SRGBColorSpace;
  renderer.shadowMap.enabled = true;
  renderer.shadowMap.type = PCFShadowMap;
  return renderer;
}

/**
 * Render a figure into a canvas with a transparent background, by accumulating jittered light directions and sub-pixel
 * shifts (a disc-shaped key light and antialiasing at once). The canvas is the same for all pictures: take it out before the next.
 * @throws when WebGL is not to be had.
 */
export function renderFigure(figure: Figure, view: View, options: PictureOptions): OffscreenCanvas {
  const { longSidePx, passes, light = STUDIO_LIGHT, look = 'clay', covered = false } = options;
  const ground = hasGround(figure, options.ground);
  const parts = sceneOf(figure, covered);
  const frame = frameFigure(shownPositions(parts), view, marginsFor(figure, options.ground));
  const aspect = (frame.right - frame.left) / (frame.top - frame.bottom);
  const width = Math.round(aspect >= 1 ? longSidePx : longSidePx * aspect);
  const height = Math.round(aspect >= 1 ? longSidePx / aspect : longSidePx);
  const gl = theRenderer();
  gl.setSize(width, height, false);

  const paint = paintOf(look, light.source);
  const scene = new Scene();
  const mesh = sceneMesh(parts, figureMaterials(paint, look, covered));
  sortFading(mesh, frame.eye);
  scene.add(mesh, new HemisphereLight(linear(paint.sky), linear(paint.ground), Math.PI));
  if (ground) scene.add(...groundOf(figure, look, [width, height]));
  const { middle, extent } = shadowExtent(mesh);
  const key = new DirectionalLight(linear(paint.key), Math.PI);
  key.castShadow = true;
  key.shadow.mapSize.set(2048, 2048);
  key.shadow.bias = -0.0008;
  key.shadow.normalBias = 0.035;
  key.shadow.radius = 4;
  Object.assign(key.shadow.camera, { left: -extent, bottom: -extent, right: extent, top: extent, near: 0.5, far: 40 });
  key.target.position.copy(middle);
  scene.add(key, key.target);

  accumulate(gl, scene, frame, {
    width,
    height,
    passes,
    key,
    middle,
    toLight: towardLight(light, view.azimuthDeg),
    lightRadius: SOURCE[light.source ?? 'studio'].radius,
  });
  disposeAll(scene);
  key.dispose();
  return gl.domElement as unknown as OffscreenCanvas;
}

interface Accumulation {
  width: number;
  height: number;
  passes: number;
  key: DirectionalLight;
  middle: Vector3;
  toLight: Vec3;
  /** Angular radius of the key light, radians. */
  lightRadius: number;
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
  const light = new Vector3(...o.toLight);
  const across = light
    .clone()
    .cross(new Vector3(0, 1, 0))
    .normalize();
  const upward = light.clone().cross(across);

  renderer.setRenderTarget(sum);
  renderer.clear();
  for (let i = 0; i < passes; i++) {
    // Sunflower spiral over the light's disc; golden-ratio lattice over the pixel.
    const r = Math.sqrt((i + 0.5) / passes) * o.lightRadius;
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
  adding.dispose();
  showing.dispose();
  screen.geometry.dispose();
}
