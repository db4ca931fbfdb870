export { Editor } from './editor.tsx';
export { NewVariation } from './new-variation.tsx';
