import { BufferAttribute, BufferGeometry, Color, Mesh, MeshStandardMaterial } from 'three';
import { GLTFExporter } from 'three/examples/jsm/exporters/GLTFExporter.js';
import { sceneOf } from '@/core/figure/picture/draft';
import type { Figure } from '@/core/figure/figure';
import { paintOf } from '@/core/figure/picture/light';
import { METERS_PER_HEAD } from '@/core/figure/skeleton/skeleton';

/** A figure with its props as a glTF binary: meters, y up, vertex colors, the reference id in the mesh's extras. */
export async function glbOf(figure: Figure, referenceId: string, covered: boolean): Promise<Blob> {
  const { positions, normals, cover, indices, figureVertices } = sceneOf(figure, covered);
  const { body, prop, cover: cloth } = paintOf('clay');
  const colors = new Float32Array(positions.length);
  for (let i = 0; i < positions.length / 3; i++)
    colors.set(i >= figureVertices ? prop : covered && cover[i] > 0 ? cloth : body, i * 3);
  const geometry = new BufferGeometry();
  geometry.setAttribute(
    'position',
    new BufferAttribute(
      positions.map((v) => v * METERS_PER_HEAD),
      3,
    ),
  );
  geometry.setAttribute('normal', new BufferAttribute(normals, 3));
  geometry.setAttribute('color', new BufferAttribute(colors, 3));
  geometry.setIndex(new BufferAttribute(indices, 1));
  const mesh = new Mesh(
    geometry,
    new MeshStandardMaterial({ color: new Color(1, 1, 1), vertexColors: true, roughness: 0.85 }),
  );
  mesh.name = referenceId;
  mesh.userData = { reference: referenceId };
  const glb = (await new GLTFExporter().parseAsync(mesh, { binary: true })) as ArrayBuffer;
  geometry.dispose();
  return new Blob([glb], { type: 'model/gltf-binary' });
}
