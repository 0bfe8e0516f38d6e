@extends('errors.page', ['heading' => 'Too many tries', 'text' => 'Wait a minute and try again.'])
