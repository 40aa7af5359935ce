package earlygate.server.start;

import earlygate.server.access.PagePolicy;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.concurrent.TimeUnit;
import org.springframework.core.io.ClassPathResource;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/**
 * The single page under the address of each of its screens, never kept by a browser, so that an upgrade is seen at once;
 * its parts have names that change with their content and are kept for good.
 */
@Controller
class SinglePage implements WebMvcConfigurer {
    private static final String NONCE = "__NONCE__";

    private final String page;

    SinglePage() throws IOException {
        page = new ClassPathResource("static/index.html").getContentAsString(StandardCharsets.UTF_8);
    }

    @GetMapping({
        "/",
        "/new",
        "/reckoner",
        "/day",
        "/prove",
        "/instruments",
        "/unit/{tag}/sheet",
        "/unit/{tag}/plan",
        "/unit/{tag}/run",
        "/unit/{tag}/run/{id}",
        "/unit/{tag}/history",
        "/unit/{tag}/upkeep",
        "/unit/{tag}/record",
        "/unit/{tag}/record/{id}"
    })
    ResponseEntity<String> screen(HttpServletResponse response) {
        return ResponseEntity.ok()
                .contentType(new MediaType(MediaType.TEXT_HTML, StandardCharsets.UTF_8))
                .cacheControl(CacheControl.noStore())
                .body(page.replace(NONCE, PagePolicy.oneTime(response)));
    }

    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        registry.addResourceHandler("/assets/**")
                .addResourceLocations("classpath:/static/assets/")
                .setCacheControl(
                        CacheControl.maxAge(365, TimeUnit.DAYS).cachePublic().immutable());
        registry.addResourceHandler("/*.svg")
                .addResourceLocations("classpath:/static/")
                .setCacheControl(CacheControl.noCache());
    }
}
