@extends('errors.page', ['heading' => 'The page was open too long', 'text' => 'Go back, reload the page and try again. Drafts are kept.'])
