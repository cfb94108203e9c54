/** The bones that move the mesh’s flesh, by the names of its source; the app’s own skeleton drives them. */
const SIDED = [
  ...['clavicle', 'shoulder01', 'upperarm01', 'upperarm02', 'lowerarm01', 'lowerarm02', 'wrist'],
  ...[1, 2, 3, 4].map((i) => `metacarpal${String(i)}`),
  ...[1, 2, 3, 4, 5].flatMap((f) => [1, 2, 3].map((i) => `finger${String(f)}-${String(i)}`)),
  ...['upperleg01', 'upperleg02', 'lowerleg01', 'lowerleg02', 'foot', 'toe'],
];
const TRUNK = ['root', 'spine05', 'spine04', 'spine03', 'spine02', 'spine01', 'neck01', 'neck02', 'neck03', 'head'];

export type MeshBone = string;
/** Every bone, parents before children. */
export const MESH_BONES: readonly MeshBone[] = [
  ...TRUNK,
  ...['L', 'R'].flatMap((side) => SIDED.map((bone) => `${bone}.${side}`)),
];

/** The same bone of the other side. */
export const mirroredBone = (bone: MeshBone): MeshBone =>
  bone.replace(/\.([LR])$/, (_, side) => (side === 'L' ? '.R' : '.L'));

/** What a bone hangs from. */
export const PARENT: Readonly<Record<MeshBone, MeshBone>> = Object.fromEntries([
  ...TRUNK.slice(1).map((bone, i) => [bone, TRUNK[i]]),
  ...['L', 'R'].flatMap((side) => {
    const chain = (first: string, ...bones: string[]): [string, string][] =>
      bones.map((bone, i) => [`${bone}.${side}`, i === 0 ? first : `${bones[i - 1]}.${side}`]);
    return [
      ...chain('spine01', ...SIDED.slice(0, 7)),
      ...[1, 2, 3, 4, 5].flatMap((f) => [
        ...chain(
          `wrist.${side}`,
          ...(f === 1 ? [] : [`metacarpal${String(f - 1)}`]),
          ...[1, 2, 3].map((i) => `finger${String(f)}-${String(i)}`),
        ),
      ]),
      ...chain('root', 'upperleg01', 'upperleg02', 'lowerleg01', 'lowerleg02', 'foot', 'toe'),
    ];
  }),
]) as Record<MeshBone, MeshBone>;
