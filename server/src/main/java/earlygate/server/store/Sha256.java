package earlygate.server.store;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.security.DigestOutputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/** SHA-256 in hex. */
public final class Sha256 {
    private Sha256() {}

    public static String of(String text) {
        return of(text.getBytes(StandardCharsets.UTF_8));
    }

    public static String of(byte[] bytes) {
        return HexFormat.of().formatHex(sha().digest(bytes));
    }

    static String of(InputStream in) throws IOException {
        MessageDigest sha = sha();
        in.transferTo(new DigestOutputStream(OutputStream.nullOutputStream(), sha));
        return HexFormat.of().formatHex(sha.digest());
    }

    private static MessageDigest sha() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
