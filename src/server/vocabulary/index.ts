export { createField, deleteField, listFieldsWithUses, updateField, type FieldView } from './fields.service';
export { listHorizons, listStages, updateHorizon, updateStage, type HorizonRow, type StageRow } from './horizons.service';
