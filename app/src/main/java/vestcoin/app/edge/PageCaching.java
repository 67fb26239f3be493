package vestcoin.app.edge;

import org.springframework.context.annotation.Configuration;
import org.springframework.http.CacheControl;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/**
 * The pages are never kept: they name what goes with this version, and with them comes who may show them, which an
 * answer "not modified" would leave as it was. The script that other sites load is asked for again each time. What the
 * pages name bears its contents' mark in its name and is kept.
 */
@Configuration
class PageCaching implements WebMvcConfigurer {
    private static final String SHIPPED = "classpath:/static/";

    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        registry.addResourceHandler("/desk.html", "/counter.html")
                .addResourceLocations(SHIPPED)
                .setCacheControl(CacheControl.noStore());
        registry.addResourceHandler("/place.js").addResourceLocations(SHIPPED).setCacheControl(CacheControl.noCache());
    }
}
