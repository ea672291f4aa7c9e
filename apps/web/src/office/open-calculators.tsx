import { OfficeSwitch } from './office-switch.js'

/** Whether the calculators answer whoever has a link to this server. */
export const OpenCalculators = () => (
  <OfficeSwitch
    address="/api/office/calculators"
    name="open"
    label="The calculators may be used without signing in"
  >
    Links and QR codes with figures then work for an installer or a customer on the same server. No job, sheet
    or person can be seen there.
  </OfficeSwitch>
)
