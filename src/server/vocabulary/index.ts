export { createField, listFieldsWithUses, updateField, type FieldView } from './fields.service';
export { createHorizon, listHorizons, updateHorizon, type HorizonRow } from './horizons.service';
export { createStage, listStages, updateStage, type StageRow } from './stages.service';
export { hideWord, showWord, type WordTable } from './words';
export { horizonsTable } from './horizons.model';
export { stagesTable } from './stages.model';
