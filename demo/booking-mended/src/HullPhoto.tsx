export const HullPhoto = ({ src, alt }: { src: string; alt: string }) => (
  <img src={`/photos/${src}`} alt={alt} width={320} height={200} />
);
