<svg class="logo" viewBox="0 0 24 24" width="24" height="24" aria-hidden="true" focusable="false">
    <ellipse cx="12" cy="20" rx="9.5" ry="2.6"/><ellipse cx="12" cy="14.4" rx="7" ry="2.3"/><ellipse cx="12" cy="9.4" rx="4.8"
        ry="2"/><ellipse cx="12" cy="5" rx="2.8" ry="1.7"/>
</svg>
