import { OfficeSwitch } from './office-switch.js'

/** Whether an inspector enters only into the jobs that they are assigned to. */
export const AssignedOnly = () => (
  <OfficeSwitch
    address="/api/office/assigned-only"
    name="wanted"
    label="An inspector enters only into jobs that they opened or are assigned to"
  >
    Otherwise every inspector enters into every job. Whoever is assigned stands in the job under Preparation;
    all inspectors can read every job.
  </OfficeSwitch>
)
