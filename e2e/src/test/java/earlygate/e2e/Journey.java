package earlygate.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ViewportSize;

/** What every journey does at its beginning. */
final class Journey {
    private Journey() {}

    /** A run of the unit, on the practice rig or "At the machine". */
    static Page start(String tag, String at) {
        Page page = Served.timed("/unit/" + tag + "/run");
        page.getByLabel("Who runs it").fill("Ada Marsh");
        page.getByText(at, new Page.GetByTextOptions().setExact(true)).click();
        button(page, "Start").click();
        return page;
    }

    /** The whole record of a finished run, its tests, curves and pictures: nothing makes it wider than a phone. */
    static void onAPhone(Page page) {
        ViewportSize bench = page.viewportSize();
        page.setViewportSize(400, 850);
        page.waitForFunction("() => document.documentElement.scrollWidth <= innerWidth");
        page.setViewportSize(bench.width, bench.height);
    }

    /** The number of the run that a page shows. */
    static long run(Page page) {
        return Long.parseLong(page.url().replaceAll(".*/run/", ""));
    }

    static Locator button(Page page, String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    static Locator link(Page page, String name) {
        return page.getByRole(
                AriaRole.LINK, new Page.GetByRoleOptions().setName(name).setExact(true));
    }
}
