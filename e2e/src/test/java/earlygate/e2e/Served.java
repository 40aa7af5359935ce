package earlygate.e2e;

import com.google.gson.JsonObject;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.Media;
import com.microsoft.playwright.options.ReducedMotion;
import earlygate.server.Server;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;

/** One server and one browser for the journeys of a JVM; nothing that a journey leaves in the browser is there for the next. */
final class Served {
    private static final List<String> FLAGS = List.of(
            "--no-sandbox",
            "--disable-gpu",
            "--disable-quic",
            "--no-first-run",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync");
    private static final int WIDE = 1280;
    private static final int HIGH = 800;
    private static final double PATIENCE_MS = 30_000;
    private static final List<String> REFUSED = new CopyOnWriteArrayList<>();
    private static Path data = temporary();
    private static Server server = new Server(data);
    private static boolean used;
    private static final Browser BROWSER = Playwright.create()
            .chromium()
            .launch(new BrowserType.LaunchOptions()
                    .setExecutablePath(Path.of("/usr/bin/chromium"))
                    .setArgs(FLAGS));
    private static Page desk;
    private static Page timed;

    static {
        // Waited for as long as it takes: how quick a machine is decides nothing.
        PlaywrightAssertions.setDefaultAssertionTimeout(PATIENCE_MS);
    }

    private Served() {}

    static Server server() {
        used = true;
        return server;
    }

    private static Path temporary() {
        try {
            return Files.createTempDirectory("early-gate");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Stops the server and starts it again on the same data and port. */
    static void restart() {
        int port = URI.create(server.base()).getPort();
        server.close();
        server = new Server(data, port);
    }

    /** A server with nothing but the demo units: the number of a run is its machine's seed, so runs begin at one again. */
    static void fresh() {
        if (!used) {
            return;
        }
        used = false;
        server.close();
        data = temporary();
        server = new Server(data);
    }

    /** A page as somebody sees it who has never been here. It is always the same one: its scripts are read only once. */
    static Page open(String path) {
        if (desk == null || desk.isClosed()) {
            desk = listened(somebody().newPage());
        }
        return opened(desk, path);
    }

    /** A page whose timers are skipped by the test, not waited for. */
    static Page timed(String path) {
        if (timed == null || timed.isClosed()) {
            timed = listened(somebody().newPage());
            timed.clock().install();
        }
        return opened(timed, path);
    }

    /** What the journey before left in this page or in another one is gone. */
    private static Page opened(Page page, String path) {
        for (BrowserContext somebody : BROWSER.contexts()) {
            for (Page other : somebody.pages()) {
                if (other == desk || other == timed) {
                    leave(other);
                } else {
                    // Only the page: a browser that still keeps a download or a print sheet may never give its context
                    // back.
                    other.close();
                }
            }
        }
        page.setViewportSize(WIDE, HIGH);
        page.emulateMedia(new Page.EmulateMediaOptions().setMedia(Media.SCREEN));
        page.unrouteAll();
        page.context().setOffline(false);
        CDPSession browser = page.context().newCDPSession(page);
        JsonObject all = new JsonObject();
        all.addProperty("origin", server().base());
        all.addProperty("storageTypes", "cookies,local_storage,indexeddb");
        browser.send("Storage.clearDataForOrigin", all);
        browser.detach();
        page.navigate(server().base() + path);
        return page;
    }

    /** A page that is not looked at listens to no machine. It stays at its server: elsewhere the browser would begin anew. */
    static void leave(Page page) {
        String away = server().base() + "/gate.svg";
        if (!page.url().equals(away)) {
            page.navigate(away);
        }
    }

    /** Opens a list of choices by its name, and takes one. */
    static void choose(Page page, String label, String option) {
        page.getByRole(
                        AriaRole.COMBOBOX,
                        new Page.GetByRoleOptions().setName(label).setExact(true))
                .click();
        page.getByRole(
                        AriaRole.OPTION,
                        new Page.GetByRoleOptions().setName(option).setExact(true))
                .click();
    }

    /** What a page tried to do that its policy does not let it. */
    static List<String> refusedByPolicy() {
        return List.copyOf(REFUSED);
    }

    /** A second person's browser beside the ones that are open. */
    static Page beside(String path) {
        Page page = listened(somebody().newPage());
        page.navigate(server().base() + path);
        return page;
    }

    private static BrowserContext somebody() {
        return BROWSER.newContext(new Browser.NewContextOptions()
                .setViewportSize(WIDE, HIGH)
                .setAcceptDownloads(true)
                // Oil that is drawn flowing would keep a core busy.
                .setReducedMotion(ReducedMotion.REDUCE));
    }

    private static Page listened(Page page) {
        page.onConsoleMessage(said -> {
            if (said.text().contains("Content Security Policy")) {
                REFUSED.add(said.text());
            }
        });
        return page;
    }

    static Locator button(Page page, String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }
}
