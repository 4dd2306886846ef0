export { demoWorkshop } from './demo-workshop';
