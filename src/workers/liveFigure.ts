import {
  DirectionalLight,
  HemisphereLight,
  type Mesh,
  PCFShadowMap,
  PerspectiveCamera,
  Scene,
  SRGBColorSpace,
  Vector3,
  WebGLRenderer,
} from 'three';
import type { Figure } from '@/core/figure/figure';
import type { Appearance } from '@/core/figure/picture/appearance';
import { marginsFor, sceneOf, shownPositions } from '@/core/figure/picture/draft';
import { paintOf, towardLight } from '@/core/figure/picture/light';
import { contained, type Frame, frameFigure, type View } from '@/core/figure/picture/view';
import { disposeAll, figureMaterials, groundOf, linear, sceneMesh, shadowExtent, sortFading } from './figureRenderer';

/** A figure that turns while it is dragged. */
export interface LiveFigure {
  /** What is turned from now on. */
  put: (figure: Figure, appearance: Appearance) => void;
  /** How it would be framed as seen from there. */
  frame: (view: View) => Frame;
  /** Draw it as seen from there, framed anew or as it was. @returns How long that took, milliseconds. */
  turn: (view: View, framed?: Frame) => number;
  resize: (width: number, height: number) => void;
  close: () => void;
}

/** A frame that takes longer than this is too slow to follow a hand: shadows and half of the pixels go, milliseconds. */
const SLOW_MS = 45;

/**
 * Draw a figure live into a canvas.
 * @throws when WebGL is not to be had.
 */
export function liveFigure(canvas: OffscreenCanvas, ratio: number): LiveFigure {
  const gl = new WebGLRenderer({ canvas, alpha: true, antialias: true, premultipliedAlpha: true });
  gl.setClearColor(0x000000, 0);
  gl.outputColorSpace = SRGBColorSpace;
  gl.shadowMap.enabled = true;
  gl.shadowMap.type = PCFShadowMap;
  let size = { width: canvas.width, height: canvas.height };
  let plain = false;
  let scene: Scene | undefined;
  let key: DirectionalLight | undefined;
  let shown: { mesh: Mesh; points: Float32Array; figure: Figure; appearance: Appearance; middle: Vector3 } | undefined;
  const camera = new PerspectiveCamera();

  /** Pixels drawn, as the ground's fading needs them. */
  const pixels: [number, number] = [1, 1];
  const fit = (): void => {
    const k = plain ? 0.5 : ratio;
    pixels[0] = Math.round(size.width * k);
    pixels[1] = Math.round(size.height * k);
    gl.setSize(...pixels, false);
  };
  const clear = (): void => {
    if (scene) disposeAll(scene);
    key?.dispose();
    scene = undefined;
  };
  fit();
  return {
    put(figure, appearance) {
      clear();
      const { light, look, covered } = appearance;
      const parts = sceneOf(figure, covered);
      const paint = paintOf(look, light.source);
      const mesh: Mesh = sceneMesh(parts, figureMaterials(paint, look, covered));
      scene = new Scene();
      scene.add(mesh, new HemisphereLight(linear(paint.sky), linear(paint.ground), Math.PI));
      const { middle, extent } = shadowExtent(mesh);
      key = new DirectionalLight(linear(paint.key), Math.PI);
      key.castShadow = true;
      key.shadow.mapSize.set(1024, 1024);
      key.shadow.bias = -0.001;
      key.shadow.normalBias = 0.05;
      key.shadow.radius = 3;
      Object.assign(key.shadow.camera, {
        left: -extent,
        bottom: -extent,
        right: extent,
        top: extent,
        near: 0.5,
        far: 40,
      });
      key.target.position.copy(middle);
      scene.add(key, key.target, ...groundOf(figure, look, pixels));
      shown = { mesh, points: shownPositions(parts), figure, appearance, middle };
    },
    frame(view) {
      if (!shown) throw new Error('nothing is shown');
      return contained(frameFigure(shown.points, view, marginsFor(shown.figure, true)), size.width / size.height);
    },
    turn(view, framed) {
      if (!scene || !shown || !key) return 0;
      const from = performance.now();
      const { mesh, figure, appearance, points, middle } = shown;
      const frame = framed ?? contained(frameFigure(points, view, marginsFor(figure, true)), size.width / size.height);
      sortFading(mesh, frame.eye);
      camera.position.set(...frame.eye);
      camera.lookAt(...frame.target);
      const near = 0.1;
      camera.projectionMatrix.makePerspective(
        frame.left * near,
        frame.right * near,
        frame.top * near,
        frame.bottom * near,
        near,
        100,
      );
      camera.projectionMatrixInverse.copy(camera.projectionMatrix).invert();
      key.position.copy(middle).addScaledVector(new Vector3(...towardLight(appearance.light, view.azimuthDeg)), 18);
      gl.render(scene, camera);
      // Reading a pixel waits until it is really drawn.
      const context = gl.getContext();
      context.readPixels(0, 0, 1, 1, context.RGBA, context.UNSIGNED_BYTE, new Uint8Array(4));
      const tookMs = performance.now() - from;
      if (tookMs > SLOW_MS && !plain) {
        plain = true;
        gl.shadowMap.enabled = false;
        key.castShadow = false;
        fit();
      }
      return tookMs;
    },
    resize(width, height) {
      size = { width, height };
      fit();
    },
    close() {
      clear();
      gl.dispose();
    },
  };
}
