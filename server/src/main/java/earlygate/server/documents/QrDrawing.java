package earlygate.server.documents;

import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import com.google.zxing.qrcode.encoder.ByteMatrix;
import com.google.zxing.qrcode.encoder.Encoder;
import java.util.Map;

/** A QR code as one path of unit squares, for a drawing of its own size. */
public final class QrDrawing {
    /** White that a reader needs all round, in squares. */
    private static final int QUIET = 4;

    private QrDrawing() {}

    /** @throws IllegalArgumentException for a text that no code of this kind holds */
    public static Map<String, Object> of(String text) {
        try {
            ByteMatrix squares = Encoder.encode(
                            text, ErrorCorrectionLevel.M, Map.of(EncodeHintType.CHARACTER_SET, "UTF-8"))
                    .getMatrix();
            StringBuilder path = new StringBuilder();
            for (int y = 0; y < squares.getHeight(); y++) {
                for (int x = 0; x < squares.getWidth(); x++) {
                    if (squares.get(x, y) == 1) {
                        path.append("M%d,%dh1v1h-1z".formatted(x + QUIET, y + QUIET));
                    }
                }
            }
            return Row.of("path", path.toString())
                    .and("side", squares.getWidth() + 2 * QUIET)
                    .map();
        } catch (WriterException e) {
            throw new IllegalArgumentException(e);
        }
    }
}
