import { OfficeSwitch } from './office-switch.js'

/** Whether another person than its writer must look at a sheet. */
export const FourEyes = () => (
  <OfficeSwitch
    address="/api/office/four-eyes"
    name="wanted"
    label="A sheet is released by another person than its writer"
    also={['/api/sheets']}
  >
    Until then jobs can be inspected by it, and not signed. Sheets that came with the program are in force as
    they are.
  </OfficeSwitch>
)
