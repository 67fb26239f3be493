package vestcoin.app.run;

import java.io.IOException;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RestController;

/** Practice services of the installation, switched from the desk of any of its shops. */
@RestController
class PracticeController {
    private final PracticeServices practice;

    PracticeController(PracticeServices practice) {
        this.practice = practice;
    }

    @GetMapping("/api/shops/{shop}/practice")
    PracticeServices.State state(@PathVariable String shop) {
        return practice.state();
    }

    @PutMapping("/api/shops/{shop}/practice")
    PracticeServices.State on(@PathVariable String shop) {
        return practice.start();
    }

    @DeleteMapping("/api/shops/{shop}/practice")
    PracticeServices.State off(@PathVariable String shop) throws IOException {
        return practice.stop();
    }
}
