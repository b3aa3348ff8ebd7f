/** What the workbench knows of a source as text, for others that write one. */
export { packageLine } from '@odd-compass/engine/packageLine';
export * from './bench/classLine';
export { NEEDS, packagesIn, withoutPackage } from './bench/packageLines';
