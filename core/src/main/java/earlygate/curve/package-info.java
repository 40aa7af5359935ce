/**
 * Static characteristics of components with their derivative beside them, in SI. Pure functions: no state, no
 * allocation. Sources: ASTM D341 and D2270 for oil; orifice equation of ISO 5167 with a laminar end; volumetric and
 * hydromechanical efficiency as in ISO 4391.
 */
package earlygate.curve;
