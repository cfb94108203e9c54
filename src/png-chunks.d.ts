interface PngChunk {
  name: string;
  data: Uint8Array;
}
declare module 'png-chunks-extract' {
  export default function extract(png: Uint8Array): PngChunk[];
}
declare module 'png-chunks-encode' {
  export default function encode(chunks: PngChunk[]): Uint8Array;
}
declare module 'png-chunk-text' {
  const text: {
    encode(keyword: string, content: string): PngChunk;
    decode(data: Uint8Array): { keyword: string; text: string };
  };
  export default text;
}
