package vestcoin.app.edge;

import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/** The two front doors; what is behind them is routed in the browser. */
@Controller
class Pages {
    @GetMapping("/")
    String start() {
        return "redirect:/desk";
    }

    @GetMapping({"/desk", "/desk/{*rest}"})
    String desk() {
        return "forward:/desk.html";
    }

    @GetMapping({"/counter/{shop}", "/counter/{shop}/{*rest}"})
    String counter() {
        return "forward:/counter.html";
    }
}
