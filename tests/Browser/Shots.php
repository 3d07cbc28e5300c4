<?php
namespace Tests\Browser;
final class Shots extends BrowserTestCase {
    public function testShots(): void {
        $this->signIn('rhona@marram-sedge.example');
        $this->visit('/round'); usleep(2500000);
        $this->browser->executeScript('[...document.querySelectorAll("button")].find((b)=>/best order/.test(b.textContent))?.click()'); usleep(3000000);
        $this->browser->takeScreenshot('/tmp/s1.png');
        $this->visit('/words'); usleep(800000); $this->browser->takeScreenshot('/tmp/s2.png');
        $this->browser = self::cleared(390, 844);
        $this->signIn('tam@marram-sedge.example');
        $this->visit('/round'); usleep(3000000); $this->browser->takeScreenshot('/tmp/s3.png');
        $this->press('More'); usleep(300000); $this->browser->takeScreenshot('/tmp/s4.png');
        $this->assertQuietConsole();
    }
}
