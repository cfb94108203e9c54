import sharp from 'sharp';
const [inp,out,l,t,w,h,s]=process.argv.slice(2);
await sharp(inp).extract({left:+l,top:+t,width:+w,height:+h}).resize({width:Math.round(+w*+s)}).toFile(out);
