/** A sheet to begin with: everything that is required, and nothing that is invented. */
export const BLANK = `format: plumb-mark-sheet
version: 1
maker: ""
model: ""
kind: hybrid-inverter
title: ""
revision: A
date: ""
source: ""
requirements: []
`
