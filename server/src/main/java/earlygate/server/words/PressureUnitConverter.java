package earlygate.server.words;

import earlygate.quantity.PressureUnit;
import org.springframework.core.convert.converter.Converter;
import org.springframework.stereotype.Component;

/** {@code ?pressure=psi} as the unit in which a call's sentences are written. */
@Component
class PressureUnitConverter implements Converter<String, PressureUnit> {
    @Override
    public PressureUnit convert(String label) {
        return PressureUnit.of(label);
    }
}
